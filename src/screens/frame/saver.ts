import { writeSetFile } from '@/core/formats/set-file'
import type { Icon, IconSet } from '@/core/set/set'
import { newId } from '@/ui/new-id'
import type { Session } from './session'

/** What changed between two states of a set, as the server takes it; null when nothing did. */
export type Writes = { name?: string; rules?: IconSet['rules']; icons?: Icon[]; order?: string[] }

/** The difference of two sets, found by identity: whatever an edit did not touch is the same object. */
export function difference(before: IconSet, after: IconSet): Writes | null {
  const writes: Writes = {}
  if (before.name !== after.name) writes.name = after.name
  if (before.rules !== after.rules) writes.rules = after.rules
  const known = new Map(before.icons.map((icon) => [icon.id, icon]))
  const changed = after.icons.filter((icon) => known.get(icon.id) !== icon)
  if (changed.length > 0) writes.icons = changed
  const order = (set: IconSet) => set.icons.map(({ id }) => id)
  if (order(before).join() !== order(after).join()) writes.order = order(after)
  return Object.keys(writes).length > 0 ? writes : null
}

/** Two differences of which the second goes before the first where both have something. */
function both(a: Writes | null, b: Writes | null): Writes | null {
  if (!a || !b) return a ?? b
  const icons = [...new Map([...(a.icons ?? []), ...(b.icons ?? [])].map((icon) => [icon.id, icon])).values()]
  return { ...a, ...b, ...(icons.length > 0 && { icons }) }
}

/** A set with writes laid over it. */
export function overlay(set: IconSet, writes: Writes): IconSet {
  const icons = new Map([...set.icons, ...(writes.icons ?? [])].map((icon) => [icon.id, icon]))
  const order = writes.order ?? set.icons.map(({ id }) => id)
  return { ...set, name: writes.name ?? set.name, rules: writes.rules ?? set.rules, icons: order.flatMap((id) => icons.get(id) ?? []) }
}

const DELAY = 120
const RETRY = 2000
const key = (setId: string) => `wise-square:unsaved:${setId}`

/** Changes on top of a revision, and the session that made them. */
type Unsaved = { readonly base: number; readonly writer: string; readonly writes: Writes }

/** What a closed tab or a killed server left unsaved in this browser. */
export function unsaved(setId: string): Unsaved | null {
  try {
    const text = localStorage.getItem(key(setId))
    return text ? (JSON.parse(text) as Unsaved) : null
  } catch {
    return null
  }
}

/**
 * Saves every change by itself: kept in the browser at once, sent to the server a moment later, tried again until it is there.
 * When the server has moved on, what was drawn here is stored as a set of its own, so that neither version is lost.
 * Returns the way to stop.
 */
export function startSaving(session: Session, from: IconSet): () => void {
  const { setId } = session.getState()
  const writer = newId() + newId()
  let acknowledged = from
  /** What was sent without an answer so far: the server may have it or not. */
  let doubtful: IconSet | null = null
  let timer: ReturnType<typeof setTimeout> | undefined
  let busy = false
  let stopped = false

  const writesTo = (present: IconSet): Writes | null => both(difference(acknowledged, present), doubtful && difference(doubtful, present))

  const plan = (delay: number) => {
    clearTimeout(timer)
    timer = setTimeout(send, delay)
  }

  async function send(): Promise<void> {
    const { history, revision } = session.getState()
    if (busy || stopped) return
    const writes = writesTo(history.present)
    if (!writes) {
      forget(setId)
      session.setState({ saving: { state: 'saved' } })
      return
    }
    busy = true
    const sent = history.present
    doubtful = sent
    const answer = await post(`/api/sets/${setId}/save`, JSON.stringify({ base: revision, writer, writes }))
    busy = false
    if (answer.status === 200) {
      acknowledged = sent
      doubtful = null
      session.setState({ revision: answer.body as number })
      void send()
    } else if (answer.status === 409 || answer.status === 404) {
      stop()
      await moveAside(session)
    } else {
      const why = (answer.body as { message?: string } | null)?.message ?? 'The server cannot be reached.'
      session.setState({ saving: { state: 'waiting', why } })
      plan(RETRY)
    }
  }

  const unsubscribe = session.subscribe((state, before) => {
    if (state.history.present === before.history.present || stopped) return
    remember(setId, { base: state.revision, writer, writes: writesTo(state.history.present) ?? {} })
    if (state.saving.state !== 'waiting') session.setState({ saving: { state: 'saving' } })
    plan(DELAY)
  })

  function stop(): void {
    stopped = true
    clearTimeout(timer)
    unsubscribe()
  }

  if (from !== session.getState().history.present) plan(0)
  return () => {
    void send().finally(stop)
  }
}

/** Stores what is in hand as a set of its own and says so. */
export async function moveAside(session: Session): Promise<void> {
  const { history, setId } = session.getState()
  const set = { ...history.present, name: `${history.present.name.slice(0, 60)} (kept copy)` }
  const answer = await post('/api/sets', writeSetFile(set))
  if (answer.status === 200) forget(setId)
  const copy = answer.status === 200 ? (answer.body as { id: string; name: string }) : null
  session.setState({ saving: { state: 'moved', copy } })
}

async function post(url: string, body: string): Promise<{ status: number; body: unknown }> {
  try {
    const response = await fetch(url, { method: 'POST', body, headers: { 'content-type': 'application/json' }, keepalive: body.length < 60_000 })
    return { status: response.status, body: await response.json().catch(() => null) }
  } catch {
    return { status: 0, body: null }
  }
}

function remember(setId: string, work: Unsaved): void {
  try {
    localStorage.setItem(key(setId), JSON.stringify(work))
  } catch {
    // The browser's storage is full: the server still gets the change.
  }
}

function forget(setId: string): void {
  try {
    localStorage.removeItem(key(setId))
  } catch {
    // Storage is closed to this page; then nothing was remembered either.
  }
}
