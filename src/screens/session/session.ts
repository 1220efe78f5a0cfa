import { createStore, type StoreApi } from 'zustand/vanilla'
import { changeProblem } from '@/core/formats/change-problem'
import { type Saying } from '@/core/saving/saying'
import { beginning as savedAs, type Saver, type Stored } from '@/core/saving/saver-state'
import type { Visitor } from '@/core/saving/told'
import { applyEdit, type SetEdit } from '@/core/set/edit'
import { advance, beginning, bounded, type History, redo, undo } from '@/core/set/history'
import type { SetConflict } from '@/core/set/merge-icon'
import type { IconSet } from '@/core/set/set'
import { say } from '@/ui/notice'
import { StoredDrawings } from './stored-drawings'

/** State of saving; `kept` is whether the browser stores the unsaved work. */
export type Saving = Saying & { readonly kept: boolean }

/** True if saving has ended for good: further edits would be lost. */
export const isOver = ({ saving }: Pick<SessionState, 'saving'>): boolean => saving.state === 'deleted'

/** Steps of something that is not an edit of the set yet. */
export type Stepping = { readonly back: (() => void) | null; readonly forth: (() => void) | null }

/** A set being worked on: its history, an edit shown but not yet done (while dragging), and how saving stands. */
export type SessionState = {
  readonly setId: string
  readonly history: History
  readonly preview: IconSet | null
  /** True during a drag with the pointer; its edit is based on the present set. */
  readonly isHeld: boolean
  /** A construction in several steps; undo and redo apply to it before the set. */
  readonly building: () => Stepping | null
  /** A change of its rules waits to be applied or discarded. */
  readonly rulesWait: boolean
  /** State of the saver; `revision`, `saving` and `kept` are its visible values. */
  readonly saver: Saver
  readonly revision: number
  readonly saving: Saving
  readonly kept: boolean
  /** Resolves a conflict with another window's save. */
  readonly settle: (conflict: SetConflict, keep: 'mine' | 'theirs') => void
  /** The other windows that show the set. */
  readonly visitors: readonly Visitor[]
  /** The icon that was last open on the bench. */
  readonly lastIcon: string | null
  /** The drawings that the server stores of the opened set. */
  readonly stored: StoredDrawings
}

/** The one store that all stages of a set share. */
export type Session = StoreApi<SessionState>

export function createSession(setId: string, stored: Stored, writer: string): Session {
  return createStore<SessionState>(() => ({
    setId,
    history: beginning(stored.set),
    preview: null,
    isHeld: false,
    building: () => null,
    rulesWait: false,
    saver: savedAs(writer, stored),
    revision: stored.revision,
    saving: { state: 'saved', kept: true },
    kept: true,
    settle: () => undefined,
    visitors: [],
    lastIcon: null,
    stored: new StoredDrawings(setId, stored.set),
  }))
}

/** The visible set, with the edit in hand. */
export const shown = ({ preview, history }: SessionState): IconSet => preview ?? history.present

/**
 * Does an edit; `label` names the step for the history, in the imperative. An edit that no file may hold is not done,
 * and it is said why.
 */
export function commit(session: Session, edit: SetEdit, label: string): void {
  const state = session.getState(),
    history = advance(state.history, edit, label)
  if (isOver(state)) return
  const problem = changeProblem(state.history.present, history.present)
  session.setState(problem === null ? { history, preview: null } : { preview: null })
  if (problem !== null) say({ text: problem, tone: 'fault' })
  // The last step always stays.
  else if (history.past.length > 1) whenIdle(() => forgetOldest(session))
}

const whenIdle = (act: () => void): void =>
  void (typeof requestIdleCallback === 'undefined' ? setTimeout(act) : requestIdleCallback(act))

/** Lets go of the oldest steps where undo holds too much. */
function forgetOldest(session: Session): void {
  const { history } = session.getState(),
    next = bounded(history)
  if (next !== history) session.setState({ history: next })
}

/** Applies an edit that is no undo step. It is saved like others. */
export function record(session: Session, edit: SetEdit): void {
  session.setState(({ history }) => ({ history: { ...history, present: applyEdit(history.present, edit) } }))
}

/** Previews an edit; null ends the preview. */
export function show(session: Session, edit: SetEdit | null): void {
  session.setState(({ history }) => ({ preview: edit && applyEdit(history.present, edit) }))
}

/** Resolves once all is saved; throws a sentence where it is known that it will not be by itself. */
export function settled(session: Session): Promise<void> {
  return new Promise((resolve, reject) => {
    const look = ({ saving }: SessionState): boolean => {
      if (saving.state === 'saving') return false
      if (saving.state === 'saved') resolve()
      else
        reject(
          new Error('why' in saving ? saving.why : 'The set is not saved: settle what was changed elsewhere first.'),
        )
      return true
    }
    if (look(session.getState())) return
    const stop = session.subscribe((state) => look(state) && stop())
  })
}

/** Whether undo or redo is possible, in a construction or else in the set. */
export const canStep = (session: Session, way: 'back' | 'forth'): boolean => {
  const { building, history } = session.getState(),
    stepping = building()
  if (stepping?.[way]) return true
  // A construction comes before the set: redo beneath it would change its base.
  return way === 'back' ? history.past.length > 0 : !stepping && history.future.length > 0
}

/** Undo or redo, in a construction or else in the set. */
export function step(session: Session, way: 'back' | 'forth'): void {
  const stepping = session.getState().building()
  if (stepping?.[way]) stepping[way]()
  else if (way === 'back') undoStep(session)
  else if (!stepping) redoStep(session)
}

export const undoStep = (session: Session): void => goThrough(session, undo)
const redoStep = (session: Session): void => goThrough(session, redo)

function goThrough(session: Session, step: (history: History) => History): void {
  session.setState((state) => (isOver(state) || state.isHeld ? state : { history: step(state.history), preview: null }))
}

/** Goes back (or forth again) until `count` steps are done. */
export function goToStep(session: Session, count: number): void {
  goThrough(session, (history) => {
    let next = history
    while (next.past.length > count) next = undo(next)
    while (next.past.length < count && next.future.length > 0) next = redo(next)
    return next
  })
}
