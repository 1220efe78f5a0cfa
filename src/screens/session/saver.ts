import { leftOf, toKeep } from '@/core/saving/kept'
import { step, wanted } from '@/core/saving/saver'
import { saying } from '@/core/saving/saying'
import { type Event, type Left, type Saver } from '@/core/saving/saver-state'
import { askChanges, sendSave } from './requests'
import type { Session } from './session'
import { announce, hearOf } from './told'
import { claimLeft, forgetUnsaved, keepUnsaved } from './unsaved'

/** How long edits are gathered before they are sent, in milliseconds. */
const DELAY = 120

/** Time in which a closing window ends, and pause before its save is sent again, in milliseconds. */
const GOING = 1000,
  AGAIN = 5000

/** Saving that goes on of sets that were left: whoever opens such a set again waits for it. */
const leaving = new Map<string, Promise<void>>()

/** Resolves when nothing of a set that was left is on its way any more. */
export const whenLeft = (setId: string): Promise<void> => leaving.get(setId) ?? Promise.resolve()

/**
 * Connects `core/saving`, which decides, with the network, the browser's database, clocks and other windows. Returns a
 * function that leaves the set: pending saves go on to their end, then `letGo` runs.
 */
export function startSaving(session: Session, found: readonly Left[] = []): (letGo?: () => Promise<void>) => void {
  const { setId } = session.getState()
  let timer: ReturnType<typeof setTimeout> | undefined
  let pausing: ReturnType<typeof setTimeout> | undefined
  let isLeaving = false
  let left: (() => void) | null = null

  const saver = (): Saver => session.getState().saver

  function apply(event: Event): void {
    const before = saver(),
      next = step(before, event)
    if (next === before) return
    session.setState(({ history, kept }) => ({
      saver: next,
      revision: next.stored.revision,
      saving: { ...saying(next), kept },
      ...(next.present !== history.present && { history: { ...history, present: next.present } }),
    }))
    void keep()
    if (before.trouble !== null && next.trouble === null) void takeOver()
    go(event.kind === 'edited' && !isLeaving ? DELAY : 0)
  }

  /** Starts the next action now, or after a delay. */
  function go(delay: number): void {
    clearTimeout(timer)
    const doing = wanted(saver())
    if (doing?.kind === 'pause') {
      if (isLeaving) return end()
      // Whatever is done meanwhile, a pause is over in its time.
      pausing ??= setTimeout(() => {
        pausing = undefined
        apply({ kind: 'paused' })
      }, doing.ms)
    } else if (doing) timer = setTimeout(() => void act(), delay)
    else if (isLeaving && saver().underWay === null) end()
  }

  async function act(): Promise<void> {
    const doing = wanted(saver())
    if (!doing || doing.kind === 'pause') return
    apply({ kind: 'begun' })
    const request = saver().underWay!
    if (doing.kind === 'ask') {
      apply({ kind: 'answered', request, answer: await askChanges(setId, doing.since, doing.epoch) })
      return
    }
    const answer = await sendSave(setId, doing.save)
    apply({ kind: 'answered', request, answer })
    if (answer.kind === 'saved') announce({ kind: 'set', set: setId, revision: answer.revision })
  }

  /**
   * Takes over the unsaved changes of closed windows. A save of theirs without an answer is sent again first, which tells
   * whether it arrived.
   */
  let isTaking = false,
    isAsked = false
  let asking: ReturnType<typeof setTimeout> | undefined
  async function takeOver(): Promise<void> {
    if (isLeaving) return
    if (isTaking) {
      // Another window may have closed meanwhile.
      isAsked = true
      return
    }
    isTaking = true
    clearTimeout(asking)
    const { kept } = await claimLeft(setId, saver().writer, { certain: true })
    let awaited = 0
    for (const one of kept) {
      const answer = one.sent && (await sendSave(setId, one.sent))
      if (answer?.kind === 'lost') awaited++
      else {
        if (answer) apply({ kind: 'told', revision: answer.kind === 'saved' ? answer.revision : null })
        apply({ kind: 'found', left: leftOf(one, answer?.kind === 'saved') })
      }
    }
    apply({ kind: 'awaited', count: awaited })
    isTaking = false
    if (!isLeaving && (isAsked || awaited > 0)) takeOverIn(isAsked ? 0 : AGAIN)
    isAsked = false
  }
  function takeOverIn(ms: number): void {
    clearTimeout(asking)
    asking = setTimeout(() => void takeOver(), ms)
  }

  /** Writes the unsaved work to the browser's database; calls during a write lead to one more write. */
  let keeping: Promise<void> | null = null
  let again = false
  function keep(): Promise<void> {
    again = keeping !== null
    keeping ??= (async () => {
      do {
        again = false
        const { writer, taken } = saver(),
          unsaved = toKeep(saver())
        const at = new Date().toISOString()
        const kept = unsaved ? await keepUnsaved({ setId, writer, at, ...unsaved }) : true
        if (!unsaved) await forgetUnsaved({ setId, writer })
        if (kept && taken.length > 0) {
          for (const one of taken) await forgetUnsaved({ setId, writer: one })
          session.setState(({ saver }) => ({ saver: step(saver, { kind: 'forgotten', writers: taken }) }))
        }
        if (session.getState().kept !== kept) session.setState(({ saving }) => ({ kept, saving: { ...saving, kept } }))
      } while (again)
      keeping = null
    })()
    return keeping
  }

  const unsubscribe = session.subscribe((state) => {
    if (state.history.present !== state.saver.present) apply({ kind: 'edited', present: state.history.present })
    const isBusy = state.isHeld || state.preview !== null
    if (isBusy !== state.saver.isHandBusy) apply({ kind: 'hand', isBusy })
  })
  const unhear = hearOf((told) => {
    if (told.kind === 'again') {
      apply({ kind: 'told', revision: null })
      void takeOver()
    }
    if (told.kind === 'left' && told.set === setId) takeOverIn(GOING)
    if (told.kind === 'set' && told.set === setId) apply({ kind: 'told', revision: told.revision })
    if (told.kind === 'visitors' && told.set === setId)
      session.setState({ visitors: told.visitors.filter(({ window }) => window !== saver().writer) })
  })
  session.setState({
    settle: (conflict, keep) => apply({ kind: 'settled', conflict, keep }),
  })

  // Only where closing the window would lose something.
  const warn = (event: BeforeUnloadEvent) => {
    const { saving } = session.getState()
    if (saving.state !== 'saved' && !saving.kept) event.preventDefault()
  }
  // A closing page sends its unsaved changes at once; the browser keeps the request alive. The other windows are told of
  // changes that may not arrive.
  const hurry = () => {
    clearTimeout(timer)
    void act()
    if (toKeep(saver())) announce({ kind: 'left', set: setId })
  }
  const look = () => void takeOver()
  // Back on the network there is no need to wait.
  const online = () => apply({ kind: 'paused' })
  const listeners = { beforeunload: warn, pagehide: hurry, online, focus: look } as const
  for (const [name, listener] of Object.entries(listeners))
    globalThis.addEventListener?.(name, listener as EventListener)

  function end(): void {
    clearTimeout(timer)
    clearTimeout(pausing)
    clearTimeout(asking)
    if (toKeep(saver())) announce({ kind: 'left', set: setId })
    unsubscribe()
    unhear()
    for (const [name, listener] of Object.entries(listeners))
      globalThis.removeEventListener?.(name, listener as EventListener)
    left?.()
  }

  for (const one of found) apply({ kind: 'found', left: one })
  return (letGo = () => Promise.resolve()) => {
    const last = new Promise<void>((resolve) => {
      left = () => void (keeping ?? Promise.resolve()).finally(() => void letGo().finally(resolve))
      isLeaving = true
      go(0)
    })
    leaving.set(setId, last)
    void last.finally(() => leaving.get(setId) === last && leaving.delete(setId))
  }
}
