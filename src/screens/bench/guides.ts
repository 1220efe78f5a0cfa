import { cross, distance, type Point, subtract } from '@/core/geometry/point'
import { tidy } from '@/core/geometry/tidy'
import { cosSin } from '@/core/geometry/transform'
import type { Guide } from '@/core/drawing/model/guide'
import { pixelAt } from '@/core/drawing/model/reference'
import { contrastEdge } from '@/core/proof/contrast-edge'
import type { Snapped } from '@/core/snap/snap'
import { guidesOf } from '@/core/set/set'
import { newId } from '@/ui/new-id'
import { figure } from '@/ui/sum'
import { commit, show } from '../frame/session'
import type { Bench } from './bench'
import { pixelsNow } from './references/pictures'
import { referenceAt } from './references/reference-operations'
import { slotInHand } from './slot'
import { caught } from './tools/snapping'
import type { At, Drag } from './tools/tool'

/** The guide that was pressed or moved last, as long as nothing else is in hand. */
export const GUIDE = slotInHand('guide', { id: null as string | null })

export const benchGuides = (bench: Bench): readonly Guide[] => (bench.master ? guidesOf(bench.master) : [])

export function setGuides(bench: Bench, guides: readonly Guide[], label: string): void {
  if (bench.here) commit(bench.session, { kind: 'guides', ...bench.here, guides }, label)
}

/** How far a point is from a guide. */
export function guideAway({ at, angle }: Guide, p: Point): number {
  const { cos, sin } = cosSin(-angle)
  return Math.abs(cross({ x: cos, y: sin }, subtract(p, at)))
}

/** The guide under a point that can be dragged, the latest first. */
export function guideAt(bench: Bench, p: Point): Guide | null {
  if (!bench.store.getState().layers.guides) return null
  return benchGuides(bench).findLast((guide) => !guide.locked && guideAway(guide, p) <= bench.reach) ?? null
}

/** Where a guide lies, in words: on which x or y, or through which point. */
export const guidePlace = ({ at, angle }: Guide): string =>
  angle === 0
    ? `y ${figure(at.y)}`
    : angle === 90
      ? `x ${figure(at.x)}`
      : `${figure(at.x)}, ${figure(at.y)} at ${figure(angle)}°`

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
        figure: { at: at.p, text: away ? 'takes the guide away' : guidePlace(next) },
      })
    },
    release() {
      bench.letGo()
      if (away && isNew) bench.preview(null)
      else if (away) setGuides(bench, others, 'Take a guide away')
      else if (next) setGuides(bench, [...others, next], isNew ? 'Lay a guide' : 'Move a guide')
      if (!away) bench.put(GUIDE, { id: guide.id })
    },
    cancel: () => bench.drop(),
  }
}

/** How many of a picture's pixels to both sides of the pointer are looked at along a guide. */
const BAND = 6

/**
 * Where a guide lies on an edge in the picture under the pointer: between its pixels; null where there is none near, or
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

/** A guide that begins at a ruler: level from the one along the top, upright from the one on the left. */
export const freshGuide = (at: Point, angle: number): Guide => ({ id: newId(), at, angle })
