/** The namespace of SVG. */
export const SVG = 'http://www.w3.org/2000/svg'

/** The attributes of an element by name, unescaped. */
export type Attributes = Record<string, string>

/** An element without text: its name, attributes and children. */
export type Element = {
  readonly name: string
  readonly own: Readonly<Attributes>
  readonly inside: readonly Element[]
}

const ENTITIES: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' }

/** A text as XML and HTML show it, in content and between double quotes (XML 1.0 §2.4). */
export const escaped = (text: string): string => text.replace(/[&<>"]/g, (sign) => ENTITIES[sign]!)

const unescaped = (text: string): string =>
  text.includes('&') ? text.replace(/&(?:amp|lt|gt|quot);/g, (entity) => SIGNS[entity]!) : text
const SIGNS = Object.fromEntries(Object.entries(ENTITIES).map(([sign, entity]) => [entity, sign]))

/** Attributes as a start tag has them, each with a space before it. */
export const attributes = (map: Readonly<Attributes>): string =>
  Object.entries(map)
    .map(([key, value]) => ` ${key}="${escaped(value)}"`)
    .join('')

/** An element as text; `content` is markup already. */
export const element = (name: string, own: Readonly<Attributes>, content = ''): string =>
  content ? `<${name}${attributes(own)}>${content}</${name}>` : `<${name}${attributes(own)}/>`

/** An element of elements. */
export const tag = (name: string, own: Readonly<Attributes>, inside: readonly Element[] = []): Element => ({
  name,
  own,
  inside,
})

const texts = new WeakMap<Element, string>()

/** An element as text, remembered for it. */
export function markup(one: Element): string {
  let text = texts.get(one)
  if (text === undefined) texts.set(one, (text = element(one.name, one.own, one.inside.map(markup).join(''))))
  return text
}

/** Elements as text. `named` says how an attribute is called there, as JSX has its own way. */
export const markupOf = (elements: readonly Element[], named = (key: string): string => key): string =>
  elements
    .map(({ name, own, inside }) => {
      const map = Object.fromEntries(Object.entries(own).map(([key, value]) => [named(key), value]))
      return element(name, map, markupOf(inside, named))
    })
    .join('')

const TAG = /<(\/?)([a-zA-Z][\w:-]*)((?:\s+[\w:-]+="[^"<]*")*)\s*(\/?)>\s*/y
const ATTRIBUTE = /([\w:-]+)="([^"]*)"/g

/** The elements of a document without text, as this program writes them. Throws on everything else. */
export function elementsOf(text: string): Element {
  const open: { name: string; own: Attributes; inside: Element[] }[] = []
  TAG.lastIndex = 0
  for (;;) {
    const at = TAG.lastIndex,
      tag = TAG.exec(text)
    if (!tag) throw new Error(`The document cannot be read at character ${at + 1}.`)
    const [, end, name = '', written = '', isEmpty] = tag
    if (!end) open.push({ name, own: Object.fromEntries(attributesOf(written)), inside: [] })
    if (!end && !isEmpty) continue
    const closed = open.pop()
    if (closed?.name !== name) throw new Error(`“${name}” ends where it has not begun.`)
    const outer = open.at(-1)
    if (outer) outer.inside.push(closed)
    else if (TAG.lastIndex === text.length) return closed
    else throw new Error('The document goes on after its end.')
  }
}

const attributesOf = (text: string): [string, string][] =>
  [...text.matchAll(ATTRIBUTE)].map(([, name, value]) => [name!, unescaped(value!)])
