import { writeSetFile } from '@/core/formats/set-file'
import { both, difference, type SetWrites } from '@/core/formats/writes'
import type { IconSet } from '@/core/set/set'
import type { Session } from './session'
import { forgetUnsaved, keepUnsaved } from './unsaved'

const DELAY = 120
const RETRY = 2000

/** Saves that are on their way of sets that were left: whoever opens such a set again waits for them. */
const leaving = new Map<string, Promise<void>>()

/** Resolves when nothing of a set that was left is on its way any more. */
export const left = (setId: string): Promise<void> => leaving.get(setId) ?? Promise.resolve()

/**
 * Saves every change by itself: kept in the browser at once, sent to the server a moment later, tried again until it is
 * there. What the server refuses is kept, said, and sent again with the next change. When the server has moved on, what
 * was drawn here is stored as a set of its own, so that neither version is lost. Returns the way to stop.
 */
export function startSaving(session: Session, from: IconSet, writer: string): () => void {
  const { setId } = session.getState()
  let acknowledged = from
  /** What was sent without an answer so far: the server may have it or not. */
  let doubtful: IconSet | null = null
  let timer: ReturnType<typeof setTimeout> | undefined
  let busy = false
  let stopped = false
  let kept = true

  const writesTo = (present: IconSet): SetWrites | null =>
    both(difference(acknowledged, present), doubtful && difference(doubtful, present))

  const plan = (delay: number) => {
    clearTimeout(timer)
    timer = setTimeout(() => void send(), delay)
  }

  /** Keeps in the browser what is not on the server; the last of several that come while one is being kept. */
  let keeping: Promise<void> | null = null
  let again = false
  const keep = (): Promise<void> => {
    again = keeping !== null
    keeping ??= (async () => {
      do {
        again = false
        const { history, revision } = session.getState(),
          writes = writesTo(history.present)
        kept = writes ? await keepUnsaved({ setId, writer, base: revision, writes }) : true
        const { saving } = session.getState()
        if ((saving.state === 'waiting' || saving.state === 'refused') && saving.kept !== kept)
          session.setState({ saving: { ...saving, kept } })
      } while (again)
      keeping = null
    })()
    return keeping
  }

  async function send(): Promise<void> {
    const { history, revision } = session.getState()
    if (busy || stopped) return
    const writes = writesTo(history.present)
    if (!writes) {
      await keeping
      await forgetUnsaved({ setId, writer })
      if (
        !busy &&
        session.getState().history.present === history.present &&
        session.getState().saving.state !== 'saved'
      )
        session.setState({ saving: { state: 'saved' } })
      return
    }
    busy = true
    const sent = history.present
    doubtful = sent
    const { status, body } = await post(`/api/sets/${setId}/save`, JSON.stringify({ base: revision, writer, writes }))
    busy = false
    const why = (body as { message?: string } | null)?.message
    if (status === 200) {
      acknowledged = sent
      doubtful = null
      session.setState({ revision: body as number })
      await send()
    } else if (status === 409) {
      stop()
      await keep()
      await moveAside(session, writer)
    } else if (status === 404) {
      stop()
      await keep()
      session.setState({ saving: { state: 'deleted' } })
    } else if (status >= 400 && status < 500) {
      // Sending the same again would be refused again: the next change is sent with it.
      doubtful = null
      session.setState({ saving: { state: 'refused', why: why ?? `The server refused the change (${status}).`, kept } })
      if (session.getState().history.present !== sent) plan(DELAY)
    } else {
      session.setState({ saving: { state: 'waiting', why: why ?? 'The server cannot be reached.', kept } })
      plan(RETRY)
    }
  }

  const unsubscribe = session.subscribe((state, before) => {
    if (state.history.present === before.history.present || stopped) return
    void keep()
    if (state.saving.state !== 'waiting') session.setState({ saving: { state: 'saving' } })
    plan(DELAY)
  })

  // Only where closing the window would lose something.
  const warn = (event: BeforeUnloadEvent) => {
    const { saving } = session.getState()
    if ((saving.state === 'waiting' || saving.state === 'refused') && !saving.kept) event.preventDefault()
  }
  globalThis.addEventListener?.('beforeunload', warn)

  function stop(): void {
    stopped = true
    clearTimeout(timer)
    unsubscribe()
    globalThis.removeEventListener?.('beforeunload', warn)
  }

  if (from !== session.getState().history.present) {
    void keep()
    plan(0)
  }
  return () => {
    clearTimeout(timer)
    const last = send().finally(stop)
    leaving.set(setId, last)
    void last.finally(() => leaving.get(setId) === last && leaving.delete(setId))
  }
}

/** Stores what is in hand as a set of its own and says so. */
export async function moveAside(session: Session, writer: string): Promise<void> {
  const { history, setId } = session.getState()
  const copy = await storeCopy(history.present)
  if (copy) await forgetUnsaved({ setId, writer })
  session.setState({ saving: { state: 'moved', copy } })
}

/** Stores a set beside the one it was drawn in; null when the server does not take it. */
export async function storeCopy(present: IconSet): Promise<{ id: string; name: string } | null> {
  let text: string
  try {
    text = writeSetFile({ ...present, name: `${present.name.slice(0, 60)} (kept copy)` })
  } catch {
    return null
  }
  const { status, body } = await post('/api/sets', text)
  return status === 200 ? (body as { id: string; name: string }) : null
}

async function post(url: string, body: string): Promise<{ status: number; body: unknown }> {
  try {
    const response = await fetch(url, {
      method: 'POST',
      body,
      headers: { 'content-type': 'application/json' },
      keepalive: body.length < 60_000,
    })
    return { status: response.status, body: await response.json().catch(() => null) }
  } catch {
    return { status: 0, body: null }
  }
}
