import { createStore, type StoreApi } from 'zustand/vanilla'
import { applyEdit, type SetEdit } from '@/core/set/edit'
import { advance, beginning, type History, redo, undo } from '@/core/set/history'
import type { IconSet } from '@/core/set/set'

/** What is known about saving: all is saved, a change is on its way, the server cannot be reached, or it refused. */
export type Saving =
  | { readonly state: 'saved' }
  | { readonly state: 'saving' }
  | { readonly state: 'waiting'; readonly why: string }
  | { readonly state: 'moved'; readonly copy: { readonly id: string; readonly name: string } | null }

/** A set being worked on: its history, an edit shown but not yet done (while dragging), and how saving stands. */
export type SessionState = {
  readonly setId: string
  readonly history: History
  readonly preview: IconSet | null
  readonly revision: number
  readonly saving: Saving
  /** The icon that was last open on the bench. */
  readonly lastIcon: string | null
}

/** The one store that all stages of a set share. */
export type Session = StoreApi<SessionState>

export function createSession(setId: string, set: IconSet, revision: number): Session {
  return createStore<SessionState>(() => ({ setId, history: beginning(set), preview: null, revision, saving: { state: 'saved' }, lastIcon: null }))
}

/** The set as it is shown: with the edit in hand, if there is one. */
export const shown = ({ preview, history }: SessionState): IconSet => preview ?? history.present

/** Does an edit; `label` names the step for the history, in the imperative. */
export function commit(session: Session, edit: SetEdit, label: string): void {
  session.setState(({ history }) => ({ history: advance(history, edit, label), preview: null }))
}

/** Shows an edit without doing it; null shows the set as it is. */
export function show(session: Session, edit: SetEdit | null): void {
  session.setState(({ history }) => ({ preview: edit && applyEdit(history.present, edit) }))
}

export const undoStep = (session: Session): void => session.setState(({ history }) => ({ history: undo(history), preview: null }))
export const redoStep = (session: Session): void => session.setState(({ history }) => ({ history: redo(history), preview: null }))

/** Goes back (or forth again) until `count` steps are done. */
export function goToStep(session: Session, count: number): void {
  session.setState(({ history }) => {
    let next = history
    while (next.past.length > count) next = undo(next)
    while (next.past.length < count && next.future.length > 0) next = redo(next)
    return { history: next, preview: null }
  })
}
