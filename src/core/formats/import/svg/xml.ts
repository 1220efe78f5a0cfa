import { Refusal } from '../../../findings/refusal'
import { SaxesParser } from 'saxes'
import { MOST } from '../reading'

/** An element of a document: its name without prefix, attributes, children, and direct text. */
export type XmlElement = {
  readonly name: string
  readonly attributes: Readonly<Record<string, string>>
  readonly children: readonly XmlElement[]
  readonly text: string
  readonly parent: XmlElement | null
}

/** Every element of a name in an element, itself included, in order. */
export const elementsIn = (element: XmlElement, name: string): XmlElement[] => [
  ...(element.name === name ? [element] : []),
  ...element.children.flatMap((child) => elementsIn(child, name)),
]

type Open = { name: string; attributes: Record<string, string>; children: Open[]; text: string; parent: Open | null }

/** The parser's message for an unknown entity, which is left as written. */
const UNKNOWN_ENTITY = /undefined entity/

/**
 * The root element of a well-formed document (XML 1.0). Document types are passed over: they define nothing, so that no
 * entity can grow. The parser is `saxes`: strict, streaming, without access to anything but its input. Throws `Unreadable`.
 */
export function parseXml(text: string): XmlElement {
  if (text.length > MOST.characters)
    throw new Refusal('unreadable', `The file is larger than ${MOST.characters / 1e6} million characters.`)
  if (text.trim() === '') throw new Refusal('unreadable', 'The file is empty.')
  if (text.includes('\0')) throw new Refusal('unreadable', 'The file is not text.')
  const parser = new SaxesParser({ fragment: false })
  let root: Open | null = null,
    open: Open | null = null,
    count = 0,
    depth = 0
  parser.on('error', (error) => {
    if (!UNKNOWN_ENTITY.test(error.message))
      throw new Refusal('unreadable', `The file is not well-formed XML: ${sentence(error.message)}.`)
  })
  parser.on('opentag', ({ name, attributes }) => {
    if (++count > MOST.elements) throw new Refusal('unreadable', `The file has more than ${MOST.elements} elements.`)
    if (++depth > MOST.depth) throw new Refusal('unreadable', `The file nests elements more than ${MOST.depth} deep.`)
    const element: Open = {
      name: name.replace(/^svg:/, ''),
      attributes: attributes as Record<string, string>,
      children: [],
      text: '',
      parent: open,
    }
    if (open) open.children.push(element)
    else root ??= element
    open = element
  })
  parser.on('closetag', () => {
    depth--
    open = open?.parent ?? null
  })
  const add = (more: string) => {
    if (open) open.text += more
  }
  parser.on('text', add)
  parser.on('cdata', add)
  parser.write(text.replace(/^\uFEFF/, '')).close()
  if (!root) throw new Refusal('unreadable', 'The file has no element.')
  return root
}

/** A parser's message without its place in front: “3:14: unexpected end” as “unexpected end, line 3”. */
function sentence(message: string): string {
  const [, line, , rest] = /^(?:.*?:)?(\d+):(\d+): (.*?)\.?$/s.exec(message) ?? []
  return line ? `${rest}, line ${line}` : message.replace(/\.$/, '')
}
