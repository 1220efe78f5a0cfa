import type { Box } from '../../../geometry/box'
import type { Transform } from '../../../geometry/transform'
import { readLength, readNumbers } from './values'
import type { XmlElement } from './xml'

/** The part of an element's coordinates that its `viewBox` shows; null where it says none that is of use. */
export function viewBoxOf({ attributes }: XmlElement): Box | null {
  const [x, y, w, h, more] = readNumbers(attributes.viewBox)
  return h === undefined || more !== undefined || !(w! > 0) || !(h > 0) ? null : { x: x!, y: y!, w: w!, h }
}

/** What the root shows: its view box, else its width and height from the origin; null where it says neither. */
export function rootView(root: XmlElement): Box | null {
  const box = viewBoxOf(root)
  if (box) return box
  const w = readLength(root.attributes.width),
    h = readLength(root.attributes.height)
  return w && h && w > 0 && h > 0 ? { x: 0, y: 0, w, h } : null
}

/** How much of the free room lies before a box, by the alignment of `preserveAspectRatio`. */
const SHARES: Readonly<Record<string, number>> = { Min: 0, Mid: 0.5, Max: 1 }

/** The map of a view box into a place, as `preserveAspectRatio` says (SVG 2 §8.6, §8.7). */
export function fitted(view: Box, place: Box, aspect = ''): Transform {
  const [, x = 'Mid', y = 'Mid', how = 'meet'] =
    /^\s*(?:x(Min|Mid|Max)Y(Min|Mid|Max))?\s*(meet|slice)?\s*$/.exec(aspect) ?? []
  const across = place.w / view.w,
    down = place.h / view.h
  if (/^\s*none/.test(aspect)) return [across, 0, 0, down, place.x - view.x * across, place.y - view.y * down]
  const k = how === 'slice' ? Math.max(across, down) : Math.min(across, down)
  const left = place.x + (place.w - view.w * k) * SHARES[x]!,
    top = place.y + (place.h - view.h * k) * SHARES[y]!
  return [k, 0, 0, k, left - view.x * k, top - view.y * k]
}
