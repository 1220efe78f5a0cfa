import { type Attributes, type Element, ENTITIES } from '../core/formats/markup'

const unescaped = (text: string): string =>
  text.includes('&') ? text.replace(/&(?:amp|lt|gt|quot);/g, (entity) => SIGNS[entity]!) : text
const SIGNS = Object.fromEntries(Object.entries(ENTITIES).map(([sign, entity]) => [entity, sign]))

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
