import { area } from '../../geometry/area'
import { connected } from '../../geometry/connected'
import { type Path, pathBounds } from '../../geometry/path'
import { winding } from '../../geometry/winding'
import type { Rules } from '../../rules/rules'
import type { Check } from '../check'
import { shownInk } from '../look/ink'
import { hasPlate } from '../look/reach'

/** By which share a silhouette may be larger than every keyline unnoticed. */
const OVER = 0.08

/** A silhouette that covers more than the largest keyline: it looks larger than its siblings. */
export const tooLarge: Check = {
  id: 'too-large',
  concerns: 'size',
  word: 'too large for its keyline',
  severity: 'note',
  find(checked) {
    const { keylines } = checked.rules,
      ink = shownInk(checked)
    const box = pathBounds(ink)
    if (!box || keylines.length === 0 || hasPlate(checked)) return []
    const silhouette = silhouetteOf(ink)
    const largest = keylines.reduce((most, one) => (areaOf(one) > areaOf(most) ? one : most))
    const share = silhouette / areaOf(largest)
    if (share <= 1 + OVER) return []
    return [
      {
        sentence: `The silhouette covers ${Math.round(100 * share)} % of ${largest.name}, the largest keyline: it looks larger than others.`,
        objects: [],
        spot: { at: { x: box.x + box.w / 2, y: box.y } },
      },
    ]
  },
}

/** The area of an area with all that its outer contours enclose. */
function silhouetteOf(ink: Path): number {
  const outer = connected(ink).map(([one]) => one)
  // A piece inside a counter does not extend the outline.
  const isWithin = (one: Path[number]) =>
    outer.some((other) => other !== one && winding([other], one.segments[0]!.from) !== 0)
  return outer.reduce((sum, one) => sum + (isWithin(one) ? 0 : Math.abs(area([one]))), 0)
}

const areaOf = ({ shape, w, h }: Rules['keylines'][number]): number =>
  shape === 'ellipse' ? (Math.PI * w * h) / 4 : w * h
