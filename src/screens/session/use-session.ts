import { createContext, useContext } from 'react'
import { useStore } from 'zustand'
import type { Session, SessionState } from './session'

export const SessionContext = createContext<Session | null>(null)

/** The store of the set that is open. */
export function useSession(): Session {
  const session = useContext(SessionContext)
  if (!session) throw new Error('There is no set open here.')
  return session
}

export const useSessionState = <T>(select: (state: SessionState) => T): T => useStore(useSession(), select)
