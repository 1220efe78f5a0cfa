import { distance } from '@/core/geometry/point'
import { tidy } from '@/core/geometry/tidy'
import { cosSin } from '@/core/geometry/transform'
import type { Guide } from '@/core/drawing/model/guide'
import { pixelAt } from '@/core/drawing/model/reference'
import { contrastEdge } from '@/core/proof/contrast-edge'
import type { Snapped } from '@/core/snap/snap'
import { show } from '../../session/session'
import type { Bench } from '../state/bench'
import { benchGuides, GUIDE, guidePlace, setGuides } from '../operations/guides'
import { pixelsNow } from '../operations/pictures'
import { referenceAt } from '../operations/references'
import { caught } from './snapping'
import type { At, Drag } from './tool'

/** Drags a guide, a new one out of a ruler or one that is there; brought back over a ruler it is taken away. */
export function dragGuide(bench: Bench, guide: Guide, isNew: boolean, ruler: number): Drag {
  const others = benchGuides(bench).filter(({ id }) => id !== guide.id)
  const targets = bench.targetsWithout(guide.id)
  let next: Guide | null = null,
    away = isNew
  return {
    move(at: At) {
      const { point, marks } = onContrast(bench, guide, at) ?? caught(bench, at, targets)
      next = { ...guide, at: point }
      const { rulers } = bench.store.getState().layers
      away = rulers && (at.screen.x < ruler || at.screen.y < ruler)
      show(bench.session, { kind: 'guides', ...bench.here!, guides: away ? others : [...others, next] })
      bench.hold({
        marks: away ? [] : marks,
        figure: { at: at.p, text: away ? 'removes the guide' : guidePlace(next) },
      })
    },
    release() {
      bench.letGo()
      if (away && isNew) bench.preview(null)
      else if (away) setGuides(bench, others, 'Remove a guide')
      else if (next) setGuides(bench, [...others, next], isNew ? 'Lay a guide' : 'Move a guide')
      if (!away) bench.put(GUIDE, { id: guide.id })
    },
    cancel: () => bench.drop(),
  }
}

/** How many of a picture's pixels to both sides of the pointer are looked at along a guide. */
const BAND = 6

/**
 * The guide's position on an edge of the reference picture under the pointer, between pixels; null if none is near or
 * snapping is suspended.
 */
function onContrast(bench: Bench, { angle }: Guide, at: At): Snapped | null {
  const reference = at.free ? null : referenceAt(bench, at.p)
  const picture = reference && pixelsNow(reference.picture)
  if (!reference || !picture) return null
  const { cos, sin } = cosSin(-angle),
    p = pixelAt(reference, at.p),
    q = pixelAt(reference, { x: at.p.x - sin, y: at.p.y + cos })
  // Pixels to a grid unit across the guide.
  const scale = distance(p, q),
    normal = { x: (q.x - p.x) / scale, y: (q.y - p.y) / scale }
  const found = contrastEdge(picture, p, normal, Math.max(2, bench.reach * scale), BAND)
  if (found === null || Math.abs(found / scale) > Math.max(bench.reach, 2 / scale)) return null
  const point = { x: tidy(at.p.x - (sin * found) / scale), y: tidy(at.p.y + (cos * found) / scale) }
  return { point, marks: [{ kind: 'point', at: point, label: 'contrast' }] }
}
