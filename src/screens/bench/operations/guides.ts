import { cross, type Point, subtract } from '@/core/geometry/point'
import { cosSin } from '@/core/geometry/transform'
import type { Guide } from '@/core/drawing/model/guide'
import { guidesOf } from '@/core/set/set'
import { newId } from '@/ui/new-id'
import { figure } from '@/ui/sum'
import { commit } from '../../session/session'
import type { Bench } from '../state/bench'
import { sliceInHand } from '../state/slice'

/** The guide that was pressed or moved last, as long as nothing else is in hand. */
export const GUIDE = sliceInHand('guide', { id: null as string | null })

export const benchGuides = (bench: Bench): readonly Guide[] => (bench.master ? guidesOf(bench.master) : [])

export function setGuides(bench: Bench, guides: readonly Guide[], label: string): void {
  if (bench.here) commit(bench.session, { kind: 'guides', ...bench.here, guides }, label)
}

/** How far a point is from a guide. */
function guideAway({ at, angle }: Guide, p: Point): number {
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

/** A guide that begins at a ruler: level from the one along the top, upright from the one on the left. */
export const freshGuide = (at: Point, angle: number): Guide => ({ id: newId(), at, angle })
