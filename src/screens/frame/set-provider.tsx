'use client'

import { createContext, type ReactNode, useContext, useEffect, useState } from 'react'
import { useStore } from 'zustand'
import type { IconSet } from '@/core/set/set'
import { moveAside, overlay, startSaving, unsaved } from './saver'
import { beginning } from '@/core/set/history'
import { createSession, type Session, type SessionState, shown } from './session'

const SessionContext = createContext<Session | null>(null)

/** Opens a set for all the stages beneath: its history, and saving by itself. `writer` is the session that saved it last. */
export function SetProvider({ setId, set, revision, writer, children }: { setId: string; set: IconSet; revision: number; writer: string | null; children: ReactNode }) {
  const [session] = useState(() => createSession(setId, set, revision))
  useEffect(() => {
    const left = unsaved(setId)
    // What is left may follow a change that arrived, but whose answer the closed tab did not live to see.
    const isNext = left && (left.base === revision || (left.base + 1 === revision && left.writer === writer))
    if (isNext) {
      session.setState({ history: beginning(overlay(set, left.writes)) })
    } else if (left) {
      session.setState({ history: beginning(overlay(set, left.writes)) })
      void moveAside(session)
      return
    }
    return startSaving(session, set)
    // The set a page was opened with does not change while it is open.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [session])
  return <SessionContext value={session}>{children}</SessionContext>
}

/** The store of the set that is open. */
export function useSession(): Session {
  const session = useContext(SessionContext)
  if (!session) throw new Error('There is no set open here.')
  return session
}

export const useSessionState = <T,>(select: (state: SessionState) => T): T => useStore(useSession(), select)

/** The set as it is shown now. */
export const useShownSet = (): IconSet => useSessionState(shown)
