import { createStore, type StoreApi } from 'zustand/vanilla'
import type { IconSet } from '@/core/set/set'
import { type Session, shown } from '../frame/session'

/** While something is in hand, what stands beside the square waits so long, in milliseconds, then for a moment in which nothing else is to do, but not for ever. */
const REST = 80
const AT_LAST = 320

/**
 * The set as it is shown, for all that stands beside the square: at once when an edit is done, now and then while one is in hand, so that
 * the hand never waits for it.
 */
export type Calm = StoreApi<{ readonly set: IconSet }>

export const createCalm = (session: Session): Calm => createStore(() => ({ set: shown(session.getState()) }))

/** Keeps the calm view in step with the session; returns the way to stop. */
export function followSession(session: Session, calm: Calm): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined
  let idle = 0
  const cancel = () => {
    clearTimeout(timer)
    timer = undefined
    cancelIdleCallback(idle)
  }
  const update = () => {
    cancel()
    const set = shown(session.getState())
    if (set !== calm.getState().set) calm.setState({ set })
  }
  const onChange = () => {
    if (session.getState().preview === null) update()
    else timer ??= setTimeout(() => (idle = requestIdleCallback(update, { timeout: AT_LAST })), REST)
  }
  update()
  const unsubscribe = session.subscribe(onChange)
  return () => {
    cancel()
    unsubscribe()
  }
}
