import { z } from 'zod'
import { type Answer, type Stored } from '@/core/saving/saver-state'
import { Changes, Saved, type SaveRequest } from '@/core/saving/wire'
import type { PartKey } from '@/core/set/merge-icon'

/** How long a request may go without an answer, in milliseconds. */
const PATIENCE = 30_000

/** How many bytes a request may have to be sent on after its page is closed (Fetch §4.6, 64 KiB for all of a page). */
const KEPT_ALIVE = 60_000

const UNREACHED = 'The server cannot be reached.',
  UNREADABLE = 'The answer of the server cannot be understood.'

type Said = { readonly status: number; readonly body: unknown }

/** Sends a request; status 0 where there is no answer. */
async function asked(url: string, init: RequestInit = {}): Promise<Said> {
  try {
    const response = await fetch(url, { ...init, cache: 'no-store', signal: AbortSignal.timeout(PATIENCE) })
    return { status: response.status, body: await response.json().catch(() => null) }
  } catch {
    return { status: 0, body: null }
  }
}

const Refusal = z.object({ code: z.string(), message: z.string(), parts: z.array(z.string()).optional() })

/** Converts an unexpected reply to an answer. Only a sentence of the server is a refusal. */
function otherwise({ status, body }: Said): Answer {
  const refusal = Refusal.safeParse(body)
  if (status === 0) return { kind: 'lost', why: UNREACHED }
  if (!refusal.success) return { kind: 'lost', why: UNREADABLE }
  const { code, message, parts } = refusal.data
  if (code === 'conflict') return { kind: 'stale' }
  if (code === 'not-found') return { kind: 'gone' }
  if (status >= 500) return { kind: 'lost', why: message }
  return { kind: 'refused', why: message, parts: (parts ?? []) as PartKey[] }
}

export async function sendSave(setId: string, save: SaveRequest): Promise<Answer> {
  const body = new TextEncoder().encode(JSON.stringify(save))
  const said = await asked(`/api/sets/${setId}/save`, {
    method: 'POST',
    body,
    headers: { 'content-type': 'application/json' },
    keepalive: body.length < KEPT_ALIVE,
  })
  const saved = Saved.safeParse(said.body)
  return said.status === 200 && saved.success ? { kind: 'saved', revision: saved.data.revision } : otherwise(said)
}

export async function askChanges(setId: string, since: number, epoch: string): Promise<Answer> {
  const said = await asked(`/api/sets/${setId}/changes?since=${since}&epoch=${epoch}`)
  if (said.status !== 200) return otherwise(said)
  return Changes.safeParse(said.body).success
    ? { kind: 'changes', changes: said.body as Changes }
    : { kind: 'lost', why: UNREADABLE }
}

const Opened = z.object({
  epoch: z.string(),
  revision: z.int(),
  revisions: z.object({
    name: z.int(),
    rules: z.int(),
    delivery: z.int(),
    order: z.int(),
    icons: z.record(z.string(), z.int()),
  }),
  set: z.object({ name: z.string(), icons: z.array(z.unknown()) }).loose(),
})

/** A set as the server has it now. Throws a sentence when it cannot be had. */
export async function fetchSet(setId: string): Promise<Stored> {
  const { status, body } = await asked(`/api/sets/${setId}`)
  if (status === 200 && Opened.safeParse(body).success) return body as Stored
  const refusal = Refusal.safeParse(body)
  throw new Error(refusal.success ? refusal.data.message : status === 0 ? UNREACHED : UNREADABLE)
}
