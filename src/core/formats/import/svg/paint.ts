import type { Box } from '../../../geometry/box'
import { apply, compose, IDENTITY, inverse, type Transform } from '../../../geometry/transform'
import type { Gradient, Paint, Stop } from '../../../drawing/model/paint'
import { type Look, lookOf, INITIAL } from './look'
import type { Cascade } from './css'
import { linkIn, readColour, readLength, readTransform } from './values'
import type { XmlElement } from './xml'

/** The name of the swatch that stands for the colour of the text around. */
export const INK = 'ink'

/** A paint as objects have it, and how opaque it is; a sentence where it cannot be read and another is taken. */
type ReadPaint = { readonly paint: Paint; readonly opacity: number; readonly unread?: string }

const NONE: ReadPaint = { paint: 'none', opacity: 1 }

/** What paints are looked up in: the document's definitions and rules. */
export type Document = {
  readonly byId: ReadonlyMap<string, XmlElement>
  readonly rules: Cascade
}

/** A colour as objects have it; ink where nobody says which the text around has. */
export function flat(text: string, look: Look): { color: string; alpha: number } | null {
  const read = readColour(text)
  if (read === null) return null
  if (read !== 'current') return { color: read.hex, alpha: read.alpha }
  const around = readColour(look.color)
  return around === null || around === 'current' ? { color: INK, alpha: 1 } : { color: around.hex, alpha: around.alpha }
}

/**
 * The fill or stroke of an element. `box` is that of its geometry, which gradients may be relative to; gradients are in
 * the element's own units.
 */
export function readPaint(key: 'fill' | 'stroke', look: Look, box: Box | null, document: Document): ReadPaint {
  const text = look[key].trim()
  const opacity = share(look[`${key}-opacity`])
  if (text === 'none') return NONE
  const id = linkIn(text)
  if (id === null) {
    if (/^url\(/.test(text)) return { paint: 'none', opacity, unread: `the ${key} lies in another file` }
    const colour = flat(text, look)
    return colour
      ? { paint: colour.color, opacity: opacity * colour.alpha }
      : { paint: key === 'fill' ? '#000000' : 'none', opacity, unread: `the colour “${text.slice(0, 40)}”` }
  }
  const element = document.byId.get(id)
  const fallback = flat(text.replace(/^url\([^)]*\)\s*/, '') || 'none', look)
  if (!element) return fallback ? { paint: fallback.color, opacity } : { ...NONE, unread: `#${id}, which is not there` }
  const gradient = readGradient(element, look, box, document)
  if (gradient) return { paint: gradient, opacity }
  return fallback
    ? { paint: fallback.color, opacity }
    : { ...NONE, unread: element.name === 'pattern' ? 'a pattern' : `the paint #${id}` }
}

/** A number or percentage from 0 to 1; 1 where it is neither. */
export function share(text: string): number {
  const value = readLength(text, { whole: 1 })
  return value === null ? 1 : Math.min(1, Math.max(0, value))
}

/** How many gradients may follow each other by `href`. */
const LINKS = 16

/** A gradient with the values inherited by `href` (SVG 2 §14.2); null if it is missing or has no extent. */
function readGradient(element: XmlElement, look: Look, box: Box | null, document: Document): Paint | null {
  if (element.name !== 'linearGradient' && element.name !== 'radialGradient') return null
  const chain: XmlElement[] = [element]
  for (let i = 0; i < LINKS; i++) {
    const link = hrefOf(chain.at(-1)!)
    const next = link === null ? undefined : document.byId.get(link)
    if (!next || chain.includes(next)) break
    chain.push(next)
  }
  const said = (key: string, own: readonly XmlElement[] = chain) =>
    own.find(({ attributes }) => attributes[key] !== undefined)?.attributes[key]
  const holder = chain.find(({ children }) => children.some(({ name }) => name === 'stop'))
  const stops = holder ? stopsOf(holder, look, document) : []
  if (stops.length === 0) return 'none'
  if (stops.length === 1) return stops[0]!.color
  const alike = chain.filter(({ name }) => name === element.name)
  const isOfBox = said('gradientUnits') !== 'userSpaceOnUse'
  if (isOfBox && !(box && box.w > 0 && box.h > 0)) return null
  const own = readTransform(said('gradientTransform') ?? '') ?? IDENTITY
  const units: Transform = isOfBox && box ? [box.w, 0, 0, box.h, box.x, box.y] : IDENTITY
  const map = compose(units, own)
  const at = (key: string, otherwise: string) => readLength(said(key, alike) ?? otherwise, { whole: 1 }) ?? 0
  if (map[0] * map[3] - map[1] * map[2] === 0) return null
  if (element.name === 'linearGradient') {
    const from = { x: at('x1', '0%'), y: at('y1', '0%') },
      to = { x: at('x2', '100%'), y: at('y2', '0%') }
    const dx = to.x - from.x,
      dy = to.y - from.y,
      square = dx * dx + dy * dy
    if (square === 0) return stops.at(-1)!.color
    // The share of the way is a linear function of the place; a map takes its gradient by its inverse.
    const [a, b, c, d] = inverse(map)
    const gx = (dx * a + dy * b) / square,
      gy = (dx * c + dy * d) / square,
      size = gx * gx + gy * gy
    const begin = apply(map, from)
    return { kind: 'linear', from: begin, to: { x: begin.x + gx / size, y: begin.y + gy / size }, stops }
  }
  const centre = { x: at('cx', '50%'), y: at('cy', '50%') },
    r = at('r', '50%')
  if (!(r > 0)) return stops.at(-1)!.color
  const focus = { x: at('fx', said('cx', alike) ?? '50%'), y: at('fy', said('cy', alike) ?? '50%') }
  const gradient: Gradient = {
    kind: 'radial',
    centre: apply(map, centre),
    to: apply(map, { x: centre.x + r, y: centre.y }),
    across: apply(map, { x: centre.x, y: centre.y + r }),
    ...((focus.x !== centre.x || focus.y !== centre.y) && { focus: apply(map, focus) }),
    stops,
  }
  return gradient
}

/** The stops of a gradient, in order, as objects have them. */
function stopsOf({ children }: XmlElement, around: Look, document: Document): Stop[] {
  let least = 0
  return children
    .filter(({ name }) => name === 'stop')
    .slice(0, 32)
    .map((element) => {
      const look = lookOf(element, { ...INITIAL, color: around.color }, document.rules)
      const colour = flat(look['stop-color'], look) ?? { color: '#000000', alpha: 1 }
      const at = Math.max(least, share(element.attributes.offset ?? '0'))
      const opacity = share(look['stop-opacity']) * colour.alpha
      least = at
      return { at, color: colour.color, ...(opacity < 1 && { opacity }) }
    })
}

/** The id that an element's `href` leads to within the document; null where there is none. */
export function hrefOf({ attributes }: XmlElement): string | null {
  const link = (attributes.href ?? attributes['xlink:href'] ?? '').trim()
  return link.startsWith('#') && link.length > 1 ? link.slice(1) : null
}
