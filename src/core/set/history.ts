import { applyPatches, enablePatches, type Patch, produceWithPatches } from 'immer'
import { applyEdit, type SetEdit } from './edit'
import type { IconSet } from './set'

enablePatches()

/** A done edit: its name for the person who did it, the icon it was done in (null for the set), and the way back. */
export type Step = { readonly label: string; readonly icon: string | null; readonly back: readonly Patch[]; readonly forth: readonly Patch[] }

/** A set with the steps that led to it and those that were undone, nearest first at the end of each list. */
export type History = { readonly present: IconSet; readonly past: readonly Step[]; readonly future: readonly Step[] }

export const beginning = (present: IconSet): History => ({ present, past: [], future: [] })

/** The history with one more step; itself when the edit changes nothing. Undone steps are given up. */
export function advance(history: History, edit: SetEdit, label: string): History {
  const [present, forth, back] = produceWithPatches(history.present, (draft) => {
    const next = applyEdit(history.present, edit)
    for (const key of ['name', 'rules', 'icons'] as const) {
      if (next[key] !== history.present[key]) assign(draft, history.present, next, key)
    }
  })
  if (forth.length === 0) return history
  const icon = edit.kind === 'draw' ? edit.icon : null
  return { present, past: [...history.past, { label, icon, back, forth }], future: [] }
}

/** Icons are patched one by one where their order stays, so that a step holds only what it changed. */
function assign(draft: IconSet, before: IconSet, after: IconSet, key: 'name' | 'rules' | 'icons'): void {
  const sameOrder = key === 'icons' && after.icons.length === before.icons.length && after.icons.every(({ id }, i) => id === before.icons[i]!.id)
  if (!sameOrder) Object.assign(draft, { [key]: after[key] })
  else after.icons.forEach((icon, i) => {
    if (icon !== before.icons[i]) draft.icons[i] = icon
  })
}

export function undo(history: History): History {
  const step = history.past.at(-1)
  if (!step) return history
  return { present: applyPatches(history.present, [...step.back]), past: history.past.slice(0, -1), future: [...history.future, step] }
}

export function redo(history: History): History {
  const step = history.future.at(-1)
  if (!step) return history
  return { present: applyPatches(history.present, [...step.forth]), past: [...history.past, step], future: history.future.slice(0, -1) }
}
