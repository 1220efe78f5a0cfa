import { pathBounds } from '../../geometry/path'
import type { Check } from '../check'
import { shownInk } from '../look/ink'
import { hasPlate, scaled } from '../look/reach'
import { said } from '../look/seen'

/** By which share a silhouette may be short of its keyline unnoticed. */
const SHORT_OF = 0.06

/** A silhouette that is smaller than the keyline that it comes nearest to. */
export const missesKeyline: Check = {
  id: 'misses-keyline',
  concerns: 'size',
  word: 'does not reach its keyline',
  severity: 'note',
  find(checked) {
    const { rules } = checked
    const box = pathBounds(shownInk(checked))
    if (!box || rules.keylines.length === 0 || hasPlate(checked)) return []
    // The keyline whose shape is nearest: the one that leaves the least room on both sides together.
    const room = ({ w, h }: { w: number; h: number }) => Math.abs(w - box.w) / w + Math.abs(h - box.h) / h
    const own = rules.keylines.reduce((best, one) => (room(one) < room(best) ? one : best))
    const share = Math.max(box.w / own.w, box.h / own.h)
    if (share > 1 - SHORT_OF) return []
    return [
      {
        sentence: `The drawing is ${Math.round(100 * share)} % of its keyline, ${own.name}: ${said(box.w)} by ${said(box.h)} of ${said(own.w)} by ${said(own.h)}.`,
        objects: [],
        spot: { at: { x: box.x + box.w / 2, y: box.y } },
        ...scaled(checked, 1 / share),
      },
    ]
  },
}
