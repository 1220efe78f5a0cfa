import type { Session } from './session'

const keyOf = (setId: string) => `wise-square rules ${setId}`

/** Whether a change of rules waits to be applied in this window. */
export const hasWaitingRules = (setId: string): boolean => window.sessionStorage.getItem(keyOf(setId)) !== null

/** The pending change of rules in this window; null if there is none. */
export function waitingRules(setId: string): unknown {
  try {
    return JSON.parse(window.sessionStorage.getItem(keyOf(setId)) ?? 'null')
  } catch {
    return null
  }
}

/** Keeps a change of rules until it is applied or discarded (null), wherever the person goes meanwhile. */
export function keepWaitingRules(session: Session, waiting: object | null): void {
  const { setId, rulesWait } = session.getState()
  try {
    if (waiting) window.sessionStorage.setItem(keyOf(setId), JSON.stringify(waiting))
    else window.sessionStorage.removeItem(keyOf(setId))
  } catch {
    // A change too large for the storage lasts as long as Rules is open.
  }
  if (rulesWait !== (waiting !== null)) session.setState({ rulesWait: waiting !== null })
}
