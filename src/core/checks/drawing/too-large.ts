import { sweptTwice } from '../../geometry/area'
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
  const swept = ink.map(({ segments }) => segments.reduce((sum, segment) => sum + sweptTwice(segment) / 2, 0))
  const outward = Math.sign(swept.reduce((most, one) => (Math.abs(one) > Math.abs(most) ? one : most)))
  const outer = ink.filter((_, i) => swept[i]! * outward > 0)
  // A piece inside a counter adds nothing to what is around it.
  const isWithin = (one: Path[number]) =>
    outer.some((other) => other !== one && winding([other], one.segments[0]!.from) !== 0)
  return ink.reduce((sum, one, i) => sum + (outer.includes(one) && !isWithin(one) ? Math.abs(swept[i]!) : 0), 0)
}

const areaOf = ({ shape, w, h }: Rules['keylines'][number]): number =>
  shape === 'ellipse' ? (Math.PI * w * h) / 4 : w * h
