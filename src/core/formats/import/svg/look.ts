import { type Cascade, type Declaration, readStyleAttribute } from './css'
import type { XmlElement } from './xml'

/** The properties that are read, with their initial values; those that `inherit` come from the parent (SVG 2, property index). */
const PROPERTIES = {
  fill: { initial: 'black', inherits: true },
  'fill-opacity': { initial: '1', inherits: true },
  'fill-rule': { initial: 'nonzero', inherits: true },
  stroke: { initial: 'none', inherits: true },
  'stroke-opacity': { initial: '1', inherits: true },
  'stroke-width': { initial: '1', inherits: true },
  'stroke-linecap': { initial: 'butt', inherits: true },
  'stroke-linejoin': { initial: 'miter', inherits: true },
  'stroke-miterlimit': { initial: '4', inherits: true },
  'stroke-dasharray': { initial: 'none', inherits: true },
  'stroke-dashoffset': { initial: '0', inherits: true },
  'paint-order': { initial: 'normal', inherits: true },
  color: { initial: 'currentcolor', inherits: true },
  visibility: { initial: 'visible', inherits: true },
  'clip-rule': { initial: 'nonzero', inherits: true },
  'font-size': { initial: '16', inherits: true },
  'font-weight': { initial: 'normal', inherits: true },
  'text-anchor': { initial: 'start', inherits: true },
  'marker-start': { initial: 'none', inherits: true },
  'marker-mid': { initial: 'none', inherits: true },
  'marker-end': { initial: 'none', inherits: true },
  opacity: { initial: '1', inherits: false },
  display: { initial: 'inline', inherits: false },
  'clip-path': { initial: 'none', inherits: false },
  mask: { initial: 'none', inherits: false },
  filter: { initial: 'none', inherits: false },
  'mix-blend-mode': { initial: 'normal', inherits: false },
  'vector-effect': { initial: 'none', inherits: false },
  'flood-color': { initial: 'black', inherits: false },
  'flood-opacity': { initial: '1', inherits: false },
  'stop-color': { initial: 'black', inherits: false },
  'stop-opacity': { initial: '1', inherits: false },
  transform: { initial: 'none', inherits: false },
} as const

type Property = keyof typeof PROPERTIES
export type Look = Readonly<Record<Property, string>>

export const INITIAL = Object.fromEntries(
  Object.entries(PROPERTIES).map(([name, { initial }]) => [name, initial]),
) as Look

const isProperty = (name: string): name is Property => Object.hasOwn(PROPERTIES, name)

/** The order of the cascade: attributes, then rules by specificity, then the style attribute; important ones after all. */
const STYLE_ATTRIBUTE = 1e9,
  IMPORTANT = 1e10

/** The computed properties of an element within its parent's (CSS Cascade 4 §6; SVG 2 §6). */
export function lookOf(element: XmlElement, parent: Look, rules: Cascade): Look {
  const own = new Map<Property, { value: string; order: number }>()
  const declare = ({ property, value, isImportant }: Declaration, order: number) => {
    // The marker shorthand stands for all three.
    if (property === 'marker') {
      for (const one of ['marker-start', 'marker-mid', 'marker-end'])
        declare({ property: one, value, isImportant }, order)
      return
    }
    if (!isProperty(property)) return
    const rank = order + (isImportant ? IMPORTANT : 0)
    const before = own.get(property)
    if (!before || before.order <= rank) own.set(property, { value, order: rank })
  }
  for (const [property, value] of Object.entries(element.attributes))
    declare({ property, value: value.trim(), isImportant: false }, -1)
  for (const { declaration, specificity } of rules.declarationsFor(element)) declare(declaration, specificity)
  const { style } = element.attributes
  if (style) for (const one of readStyleAttribute(style)) declare(one, STYLE_ATTRIBUTE)
  const look: Record<string, string> = {}
  for (const name of Object.keys(PROPERTIES) as Property[]) {
    const { initial, inherits } = PROPERTIES[name]
    const said = own.get(name)?.value
    const above = inherits ? parent[name] : initial
    look[name] =
      said === undefined || said === 'unset'
        ? above
        : said === 'inherit'
          ? parent[name]
          : said === 'initial'
            ? initial
            : said
  }
  return look as Look
}
