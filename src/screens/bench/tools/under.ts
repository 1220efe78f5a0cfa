import { type DrawingObject, isCombining, isContainer } from '@/core/drawing/objects/object'
import { pick } from '@/core/drawing/evaluate/pick'
import type { Bench } from '../state/bench'
import type { At } from './tool'

/** What a press would take: the topmost under the pointer that can be reached and is not locked. */
export const pickAt = (bench: Bench, at: At): DrawingObject | null =>
  pick(bench.reachable, bench.scene, at.p, bench.reach, isCombining(bench.scope))

/** Stores the object under the pointer, whose outline is then shown. */
export function hoverOver(bench: Bench, object: DrawingObject | null): void {
  const id = object?.id ?? null
  if (id !== bench.store.getState().hover) bench.store.setState({ hover: id })
}

/** The object under the pointer whose nodes can be edited: a group, an assembly or a mirror is stepped into. */
export function pickWithin(bench: Bench, at: At): DrawingObject | null {
  let found = pickAt(bench, at)
  while (found && isContainer(found)) {
    const inner =
      pick(found.members, bench.scene, at.p, bench.reach, isCombining(found)) ??
      (found.members.length === 1 ? found.members[0]! : null)
    if (!inner || inner.locked) return found
    bench.store.setState({ scope: found.id })
    found = inner
  }
  return found
}
