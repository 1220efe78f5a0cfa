import { enablePatches, Immer, type Patch } from 'immer'
import { applyEdit, type SetEdit } from './edit'
import type { IconSet } from './set'

enablePatches()

/** Types keep sets from being changed; freezing would walk through all of a set at its first edit. */
const immer = new Immer({ autoFreeze: false })

/** A done edit: its name for the person who did it, the icon it was done in (null for the set), and the way back. */
export type Step = {
  readonly label: string
  readonly icon: string | null
  readonly back: readonly Patch[]
  readonly forth: readonly Patch[]
}

/** A set with the steps that led to it and those that were undone, nearest first at the end of each list. */
export type History = { readonly present: IconSet; readonly past: readonly Step[]; readonly future: readonly Step[] }

export const beginning = (present: IconSet): History => ({ present, past: [], future: [] })

/** The history with one more step; itself when the edit changes nothing. Undone steps are given up. */
export function advance(history: History, edit: SetEdit, label: string): History {
  const { present: before, past } = history
  const present = applyEdit(before, edit)
  const forth = patches(before, present)
  if (forth.length === 0) return history
  const icon = edit.kind === 'draw' ? edit.icon : null
  return { present, past: [...past, { label, icon, back: patches(present, before), forth }], future: [] }
}

/**
 * What leads from one set to another; icons one by one where their order stays, so that a step holds only what it
 * changed.
 */
function patches(from: IconSet, to: IconSet): Patch[] {
  return (['name', 'rules', 'delivery', 'icons'] as const).flatMap((key): Patch[] => {
    if (from[key] === to[key]) return []
    const sameOrder =
      key === 'icons' &&
      to.icons.length === from.icons.length &&
      to.icons.every(({ id }, i) => id === from.icons[i]!.id)
    if (!sameOrder) return [{ op: 'replace', path: [key], value: to[key] }]
    return to.icons.flatMap((icon, i) =>
      icon === from.icons[i] ? [] : [{ op: 'replace', path: [key, i], value: icon }],
    )
  })
}

export function undo(history: History): History {
  const step = history.past.at(-1)
  if (!step) return history
  return {
    present: immer.applyPatches(history.present, [...step.back]),
    past: history.past.slice(0, -1),
    future: [...history.future, step],
  }
}

export function redo(history: History): History {
  const step = history.future.at(-1)
  if (!step) return history
  return {
    present: immer.applyPatches(history.present, [...step.forth]),
    past: [...history.past, step],
    future: history.future.slice(0, -1),
  }
}
