'use client'

import { createContext, type ReactNode, startTransition, useContext, useEffect, useState } from 'react'
import { useStore } from 'zustand'
import { changeProblem } from '@/core/formats/change-problem'
import { overlay } from '@/core/formats/writes'
import { beginning } from '@/core/set/history'
import type { IconSet } from '@/core/set/set'
import { newId } from '@/ui/new-id'
import { say } from '@/ui/notice'
import { bringPageClock } from './page-clock'
import { followAnew } from './following'
import { FaultPage } from './fault-page'
import { left, startSaving, storeCopy } from './saver'
import { createSession, type Session, type SessionState, shown } from './session'
import { TopBar } from './top-bar'
import { forgetUnsaved, holdWindow, keepUnsaved, leftUnsaved, type Unsaved } from './unsaved'

const SessionContext = createContext<Session | null>(null)

/** What became of opening a set: it is open, or why it cannot be. */
type Opened = { readonly session: Session } | { readonly fault: Error }

bringPageClock()

/** Opens a set for all the stages beneath, always as it is now: its history, and saving by itself. */
export function SetProvider({ setId, children }: { setId: string; children: ReactNode }) {
  const [opened, setOpened] = useState<Opened | null>(null)
  const [tries, setTries] = useState(0)
  useEffect(() => {
    let stop: () => void = () => undefined
    let isLeft = false
    open(setId).then(
      ({ session, from, writer, letGo }) => {
        if (isLeft) return letGo()
        const stopSaving = startSaving(session, from, writer)
        stop = () => {
          stopSaving()
          letGo()
        }
        // A whole stage is drawn piece by piece, so that the page answers meanwhile.
        startTransition(() => setOpened({ session }))
        void followAnew(session)
        window.requestIdleCallback?.(() => warmUp(from))
      },
      (error: unknown) => !isLeft && setOpened({ fault: error instanceof Error ? error : new Error(String(error)) }),
    )
    return () => {
      isLeft = true
      stop()
    }
  }, [setId, tries])
  useEffect(() => {
    // A page that the browser had put aside whole shows what was, not what is.
    const onShow = (event: PageTransitionEvent) => event.persisted && window.location.reload()
    window.addEventListener('pageshow', onShow)
    return () => window.removeEventListener('pageshow', onShow)
  }, [])
  if (!opened) return <Opening />
  if ('fault' in opened) {
    const again = () => {
      setOpened(null)
      setTries(tries + 1)
    }
    return <FaultPage error={opened.fault} onAgain={again} />
  }
  return <SessionContext value={opened.session}>{children}</SessionContext>
}

/** Reads what the first edit would else have to wait for: the schema is made ready where it is first used. */
const warmUp = (set: IconSet): void =>
  void changeProblem({ ...set, icons: [] }, { ...set, icons: set.icons.slice(0, 1) })

function Opening() {
  return (
    <div className="min-h-dvh bg-film">
      <TopBar
        crumb={
          <span className="text-quiet" role="status">
            Opening…
          </span>
        }
      />
    </div>
  )
}

/** Fetches a set and lays over it what a window that is gone left unsaved. Throws a sentence when it cannot be had. */
async function open(setId: string): Promise<{ session: Session; from: IconSet; writer: string; letGo: () => void }> {
  await left(setId)
  const writer = newId() + newId()
  const letGo = await holdWindow(writer)
  const { set, revision, writer: lastWriter } = await fetched(setId)
  const session = createSession(setId, set, revision)
  for (const work of await leftUnsaved(setId)) {
    // What is left may follow a change that arrived, but whose answer the closed window did not live to see.
    const isNext = work.base === revision || (work.base + 1 === revision && work.writer === lastWriter)
    const laid = overlay(session.getState().history.present, work.writes)
    if (isNext && session.getState().history.present === set) {
      session.setState({ history: beginning(laid) })
      // From here on it is this window's; the record of the other goes once there is one of its own.
      if (await keepUnsaved({ setId, writer, base: revision, writes: work.writes })) await forgetUnsaved(work)
    } else await setAside(overlay(set, work.writes), work)
  }
  return { session, from: set, writer, letGo }
}

async function setAside(set: IconSet, work: Unsaved): Promise<void> {
  const copy = await storeCopy(set)
  if (!copy) return
  await forgetUnsaved(work)
  say({ text: `What another window left unsaved is now the set “${copy.name}”.` })
}

type Fetched = { readonly set: IconSet; readonly revision: number; readonly writer: string | null }

async function fetched(setId: string): Promise<Fetched> {
  const response = await fetch(`/api/sets/${setId}`, { cache: 'no-store' }).catch(() => null)
  const body = (await response?.json().catch(() => null)) as (Fetched & { message?: string }) | null
  if (!response?.ok || !body) throw new Error(body?.message ?? 'The server cannot be reached.')
  return body
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
