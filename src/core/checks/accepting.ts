import type { Accepted } from '../drawing/model/accepted'
import { SAME_SNAG } from '../geometry/tolerance'
import type { Snag } from './snag'

/** What identifies a snag: its check, its objects, and its place in grid units. */
type Told = Pick<Snag, 'check' | 'objects' | 'spot'>

/** A snag's check and objects as one key. */
export const keyOf = ({ check, objects }: Pick<Told, 'check' | 'objects'>): string =>
  [check, ...[...objects].sort()].join(' ')

/**
 * Whether a snag is accepted. A snag without objects is recognised by its place: it stays accepted after edits
 * elsewhere, and a second snag of its kind is not accepted. `grid` is the grid's size in units.
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

/** The record that accepts a snag for a reason. */
export const acceptedAs = ({ check, objects, spot }: Told, reason: string): Accepted => ({
  check,
  objects: [...objects],
  ...(objects.length === 0 && spot && { at: { x: spot.at.x, y: spot.at.y } }),
  reason,
})
