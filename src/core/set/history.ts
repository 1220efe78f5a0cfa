import { type SetChange, changeBetween, moved } from './change'
import { applyEdit, type SetEdit } from './edit'
import type { IconSet } from './set'

/** A done edit: its name for the person who did it, the icon it was done in (null for the set), and what it changed. */
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
