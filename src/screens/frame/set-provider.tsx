'use client'

import '../session/no-eval'
import { type ReactNode, startTransition, useEffect, useState } from 'react'
import { changeProblem } from '@/core/formats/change-problem'
import type { IconSet } from '@/core/set/set'
import { say } from '@/ui/notice'
import { keepFollowing } from '../session/following'
import { offerUnreadable, openSet } from '../session/open-set'
import { bringPageClock } from '../session/page-clock'
import { startSaving } from '../session/saver'
import type { Session } from '../session/session'
import { SessionContext } from '../session/use-session'
import { visit } from '../session/visit'
import { hasWaitingRules } from '../session/waiting-rules'
import { FaultPage } from './fault-page'
import { TopBar } from './top-bar'

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
    openSet(setId).then(
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

const SILENT =
  'This browser does not answer for its storage. Until a change is saved by the server, nothing else keeps it.'
