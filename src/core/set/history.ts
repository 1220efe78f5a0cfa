import { type SetChange, changeBetween, moved } from './change'
import { sizeOf } from './bounds'
import { applyEdit, type SetEdit } from './edit'
import type { IconSet } from './set'

/** A done edit: its label, the icon it was done in (null for the set), and its change. */
export type Step = { readonly label: string; readonly icon: string | null; readonly change: SetChange }

/** A set with the steps that led to it and the undone ones. The nearest step is the last of each list. */
export type History = { readonly present: IconSet; readonly past: readonly Step[]; readonly future: readonly Step[] }

export const beginning = (present: IconSet): History => ({ present, past: [], future: [] })

/** The history with one more step and without undone steps; the same history where the edit changes nothing. */
export function advance(history: History, edit: SetEdit, label: string): History {
  const { present: before, past } = history
  const present = applyEdit(before, edit)
  const change = changeBetween(before, present)
  if (!change) return history
  const icon = edit.kind === 'draw' ? edit.icon : null
  return { present, past: [...past, { label, icon, change }], future: [] }
}

/** Takes back the last step. Changes from other windows since then stay. */
export function undo({ present, past, future }: History): History {
  const step = past.at(-1)
  if (!step) return { present, past, future }
  return { present: moved(present, step.change, 'from'), past: past.slice(0, -1), future: [...future, step] }
}

export function redo({ present, past, future }: History): History {
  const step = future.at(-1)
  if (!step) return { present, past, future }
  return { present: moved(present, step.change, 'to'), past: [...past, step], future: future.slice(0, -1) }
}

/** Upper bound for the memory of all undo steps, in bytes. */
const UNDO_BYTES = 128 * 2 ** 20

/** What an object and a node take in memory, in bytes, measured over the demo sets; an icon takes as much as an object. */
const OBJECT = 250,
  NODE = 100

const sizes = new WeakMap<Step, number>()

/** Estimated memory of a step beside that of the set, in bytes. */
function bytesOf(step: Step): number {
  let bytes = sizes.get(step)
  if (bytes === undefined) {
    bytes = OBJECT
    for (const { from } of step.change.icons) {
      const { objects, nodes } = from ? sizeOf(from.masters) : { objects: 0, nodes: 0 }
      bytes += (objects + 1) * OBJECT + nodes * NODE
    }
    sizes.set(step, bytes)
  }
  return bytes
}

/** Drops the oldest steps until all steps need at most `limit` bytes. The last step stays. Returns the same history within the limit. */
export function bounded(history: History, limit = UNDO_BYTES): History {
  let left = limit - history.future.reduce((sum, step) => sum + bytesOf(step), 0)
  const { past } = history
  for (let i = past.length - 1; i >= 0; i--) {
    left -= bytesOf(past[i]!)
    if (left < 0 && i < past.length - 1) return { ...history, past: past.slice(i + 1) }
  }
  return history
}
