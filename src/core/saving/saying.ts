import type { SetConflict } from '../set/merge-icon'
import { nextSave, partOf, unsaved } from './next-save'
import type { Saver } from './saver-state'

/** What a person is told about saving. */
export type Saying =
  | { readonly state: 'saved' }
  | { readonly state: 'saving' }
  | { readonly state: 'waiting'; readonly why: string }
  | { readonly state: 'refused'; readonly why: string }
  | { readonly state: 'conflict'; readonly conflicts: readonly SetConflict[] }
  | { readonly state: 'deleted' }

const AWAITED = 'Changes of a window that was closed are not saved yet: the server cannot be reached.'

/** The message about saving for a person. */
export function saying(saver: Saver): Saying {
  if (saver.isGone) return { state: 'deleted' }
  if (saver.conflicts.length > 0) return { state: 'conflict', conflicts: saver.conflicts }
  const isClean = saver.sent === null && saver.present === saver.base
  if (isClean && saver.left.length > 0) return { state: 'saving' }
  if (isClean) return saver.awaited === 0 ? { state: 'saved' } : { state: 'waiting', why: AWAITED }
  if (saver.trouble !== null) return { state: 'waiting', why: saver.trouble }
  if (saver.sent === null && !nextSave(saver)) {
    const why = saver.refused.find(({ part, value }) => partOf(saver.present, part) === value)?.why
    if (why !== undefined) return { state: 'refused', why }
    if (!unsaved(saver)) return saying({ ...saver, present: saver.base })
  }
  return { state: 'saving' }
}
