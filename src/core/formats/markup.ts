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

/** The signs that XML escapes. */
export const ENTITIES: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' }

/** A text as XML and HTML show it, in content and between double quotes (XML 1.0 §2.4). */
export const escaped = (text: string): string => text.replace(/[&<>"]/g, (sign) => ENTITIES[sign]!)

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
