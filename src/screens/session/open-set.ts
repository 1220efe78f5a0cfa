import { hasArrived, type Kept, leftOf } from '@/core/saving/kept'
import type { Answer, Left } from '@/core/saving/saver-state'
import { keepFile } from '@/ui/keep-file'
import { newId } from '@/ui/new-id'
import { say } from '@/ui/notice'
import { fetchSet, sendSave } from './requests'
import { whenLeft } from './saver'
import { createSession, type Session } from './session'
import { claimLeft, forgetUnsaved, holdWindow, type LeftUnsaved } from './unsaved'

/** Fetches a set, and what windows that are gone left unsaved of it. Throws a sentence when it cannot be had. */
export async function openSet(setId: string): Promise<{
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

/** Offers unsaved records that cannot be merged as files; they stay until the person dismisses them. */
export function offerUnreadable(unreadable: LeftUnsaved['unreadable']): void {
  const [first] = unreadable
  if (!first) return
  say({
    text: 'Unsaved changes that this browser kept cannot be added to the set: another version of the program kept them.',
    action: {
      label: 'Keep them as a file',
      run: () => {
        keepFile(new Blob([JSON.stringify(first, null, 1)]), `unsaved ${first.writer}.json`)
        void forgetUnsaved(first)
      },
    },
  })
}
