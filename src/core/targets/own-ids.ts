import type { Element } from '../formats/markup'

/** Where an instance's own mark goes before an id; no drawing has it. */
const MARK = '\uE000'

/** The value of an attribute with the mark before an id, where it is one or refers to one. */
function marked(key: string, value: string, mark: string): string {
  if (key === 'id') return mark + value
  if (key === 'href') return value.replace(/^#/, `#${mark}`)
  return value.replace(/^url\(#/, (start) => start + mark)
}

/**
 * Elements with ids for each instance: every id and reference gets a prefix that the instance fills in, and `before`,
 * which separates two drawings of one instance. Two instances on a page share no id, so hiding one does not change the
 * other.
 */
export const withOwnIds = (elements: readonly Element[], before = ''): Element[] =>
  elements.map(({ name, own, inside }) => ({
    name,
    own: Object.fromEntries(Object.entries(own).map(([key, value]) => [key, marked(key, value, MARK + before)])),
    inside: withOwnIds(inside, before),
  }))

/** Whether markup has ids that are an instance's own. */
const hasOwnIds = (markup: string): boolean => markup.includes(MARK)

/** Markup in a template literal of a program, with the instance's mark by the variable `id`. */
const inTemplate = (markup: string): string =>
  `\`${markup.replace(/[`\\]|\$(?=\{)/g, '\\$&').replaceAll(MARK, '${id}-')}\``

/** Markup as an expression of a program: a text, or a function of the instance's mark where it has ids. */
export const asProgram = (markup: string, argument: string): string =>
  hasOwnIds(markup) ? `(${argument}) => ${inTemplate(markup)}` : JSON.stringify(markup)

/** The same for JSX: attributes that hold the mark become expressions. */
export const asJsx = (markup: string): string =>
  hasOwnIds(markup)
    ? `(id) => <>${markup.replace(/="([^"]*)"/g, (all, value: string) => (hasOwnIds(value) ? `={${inTemplate(value)}}` : all))}</>`
    : `<>${markup}</>`

/** Elements as calls of `h(name, attributes, content)`; `named` gives the names of attributes. */
export function asCalls(elements: readonly Element[], named: (attribute: string) => string): string {
  const value = (text: string) => (hasOwnIds(text) ? inTemplate(text) : JSON.stringify(text))
  const call = ({ name, own, inside }: Element): string => {
    const props = Object.entries(own).map(([key, text]) => `${JSON.stringify(named(key))}: ${value(text)}`)
    return `h(${[JSON.stringify(name), `{ ${props.join(', ')} }`, ...inside.map(call)].join(', ')})`
  }
  const drawn = `h(${['Fragment', 'null', ...elements.map(call)].join(', ')})`
  return hasOwnIds(JSON.stringify(elements)) ? `(id) => ${drawn}` : drawn
}
