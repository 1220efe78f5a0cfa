/** An element of a document, its attributes as they are written, and what is in it. */
export type Element = {
  readonly name: string
  readonly own: Readonly<Record<string, string>>
  readonly inside: readonly Element[]
}

const TAG = /<(\/?)([a-zA-Z]+)((?:\s+[\w:-]+="[^"<]*")*)\s*(\/?)>\s*/y
const ATTRIBUTE = /([\w:-]+)="([^"]*)"/g

/** The elements of a document without text, as this program writes them. Throws on everything else. */
export function elementsOf(text: string): Element {
  const open: { name: string; own: Record<string, string>; inside: Element[] }[] = []
  TAG.lastIndex = 0
  for (;;) {
    const at = TAG.lastIndex,
      tag = TAG.exec(text)
    if (!tag) throw new Error(`The document cannot be read at character ${at + 1}.`)
    const [, end, name = '', attributes = '', isEmpty] = tag
    if (!end) open.push({ name, own: Object.fromEntries(attributesOf(attributes)), inside: [] })
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
  [...text.matchAll(ATTRIBUTE)].map(([, name, value]) => [name!, value!])
