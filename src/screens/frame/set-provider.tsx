'use client'

import { createContext, type ReactNode, startTransition, useContext, useEffect, useState } from 'react'
import { useStore } from 'zustand'
import { changeProblem } from '@/core/formats/change-problem'
import { hasArrived, type Kept, leftOf } from '@/core/saving/kept'
import type { Answer, Left } from '@/core/saving/saver-state'
import type { IconSet } from '@/core/set/set'
import { keepFile } from '@/ui/keep-file'
import { newId } from '@/ui/new-id'
import { say } from '@/ui/notice'
import { bringPageClock } from './page-clock'
import { keepFollowing } from './following'
import { FaultPage } from './fault-page'
import { fetchSet, sendSave } from './requests'
import { whenLeft, startSaving } from './saver'
import { createSession, type Session, type SessionState } from './session'
import { TopBar } from './top-bar'
import { claimLeft, forgetUnsaved, holdWindow, type LeftUnsaved } from './unsaved'
import { visit } from './visit'
import { hasWaitingRules } from './waiting-rules'

const SessionContext = createContext<Session | null>(null)

/** What became of opening a set: it is open, or why it cannot be. */
type Opened = { readonly session: Session } | { readonly fault: Error }

bringPageClock()

/** Opens a set for its stages, in its present state, with history and saving. */
export function SetProvider({ setId, children }: { setId: string; children: ReactNode }) {
  const [opened, setOpened] = useState<Opened | null>(null)
  const [tries, setTries] = useState(0)
  useEffect(() => {
    let stop: () => void = () => undefined
    let isLeft = false
    open(setId).then(
      ({ session, found, unreadable, isKnown, letGo }) => {
        if (isLeft) return void letGo()
        session.setState({ rulesWait: hasWaitingRules(setId) })
        const leave = startSaving(session, found)
        const endVisit = visit(session)
        const endFollowing = keepFollowing(session)
        stop = () => {
          leave(letGo)
          endVisit()
          endFollowing()
        }
        offerUnreadable(unreadable)
        if (!isKnown) say({ text: SILENT, tone: 'fault' })
        // A whole stage is drawn piece by piece, so that the page answers meanwhile.
        startTransition(() => setOpened({ session }))
        window.requestIdleCallback?.(() => warmUp(session.getState().history.present))
      },
      (error: unknown) => !isLeft && setOpened({ fault: error instanceof Error ? error : new Error(String(error)) }),
    )
    return () => {
      isLeft = true
      stop()
    }
  }, [setId, tries])
  useEffect(() => {
    // A page restored from the browser's cache is outdated.
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

/** Fetches a set, and what windows that are gone left unsaved of it. Throws a sentence when it cannot be had. */
async function open(setId: string): Promise<{
  session: Session
  found: readonly Left[]
  unreadable: LeftUnsaved['unreadable']
  isKnown: boolean
  letGo: () => Promise<void>
}> {
  await whenLeft(setId)
  const writer = newId() + newId()
  const [letGo, { kept, unreadable, isKnown }] = await Promise.all([holdWindow(writer), claimLeft(setId, writer)])
  // A save without an answer is asked for once more: whether it arrived is known then, before all is read.
  const answers = new Map<Kept, Answer>()
  for (const one of kept) if (one.sent) answers.set(one, await sendSave(setId, one.sent))
  const stored = await fetchSet(setId)
  const found = kept.map((one) => {
    const answer = answers.get(one)
    const isThere = answer?.kind === 'lost' && one.sent !== null && hasArrived(stored.set, one.sent.writes)
    return leftOf(one, answer?.kind === 'saved' || isThere)
  })
  return { session: createSession(setId, stored, writer), found, unreadable, isKnown, letGo }
}

const SILENT =
  'This browser does not answer for its storage. Until a change is saved by the server, nothing else keeps it.'

/** Offers unsaved records that cannot be merged as files; they stay until the person dismisses them. */
function offerUnreadable(unreadable: LeftUnsaved['unreadable']): void {
  const [first] = unreadable
  if (!first) return
  say({
    text: 'Changes that this browser kept unsaved cannot be laid over the set: they were kept by another version.',
    action: {
      label: 'Keep them as a file',
      run: () => {
        keepFile(new Blob([JSON.stringify(first, null, 1)]), `unsaved ${first.writer}.json`)
        void forgetUnsaved(first)
      },
    },
  })
}

/** The store of the set that is open. */
export function useSession(): Session {
  const session = useContext(SessionContext)
  if (!session) throw new Error('There is no set open here.')
  return session
}

export const useSessionState = <T,>(select: (state: SessionState) => T): T => useStore(useSession(), select)
