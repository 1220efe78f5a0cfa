import type { Accepted } from '../drawing/model/accepted'
import { SAME_SNAG } from '../geometry/tolerance'
import type { Snag } from './check'

/** What tells snags apart: what was looked for, in which objects, and where, in grid units. */
type Told = Pick<Snag, 'check' | 'objects' | 'spot'>

/** What was looked for, and in which objects. */
export const keyOf = ({ check, objects }: Pick<Told, 'check' | 'objects'>): string =>
  [check, ...[...objects].sort()].join(' ')

/**
 * Whether a snag is among those that are left as they are on purpose. One that is about no object in particular is known by
 * its place on a grid of so many units: edits elsewhere leave it accepted, another like it is not.
 */
export function isAccepted(snag: Told, accepted: readonly Accepted[], grid: number): boolean {
  const key = keyOf(snag)
  return accepted.some((one) => {
    if (keyOf(one) !== key) return false
    if (!one.at || !snag.spot) return true
    const { x, y } = snag.spot.at
    return Math.hypot(x - one.at.x, y - one.at.y) <= SAME_SNAG * grid
  })
}

/** A snag as it is left on purpose, for a reason. */
export const acceptedAs = ({ check, objects, spot }: Told, reason: string): Accepted => ({
  check,
  objects: [...objects],
  ...(objects.length === 0 && spot && { at: { x: spot.at.x, y: spot.at.y } }),
  reason,
})
