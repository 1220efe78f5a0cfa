import { z } from 'zod'
import type { IconSet } from '@/core/set/set'

const States = z.object({
  states: z.array(z.object({ revision: z.int(), at: z.string(), name: z.string().nullable(), changed: z.int() })),
})
export type PastState = z.infer<typeof States>['states'][number]

/** Asks about a set's past; throws a sentence where there is no answer. */
async function asked(setId: string, path: string, body?: object): Promise<unknown> {
  const init = body ? { method: 'POST', body: JSON.stringify(body) } : { cache: 'no-store' as const }
  const response = await fetch(`/api/sets/${setId}/past${path}`, init).catch(() => null)
  const said: unknown = await response?.json().catch(() => null)
  if (response?.ok && said) return said
  const message = z.object({ message: z.string() }).safeParse(said)
  throw new Error(message.success ? message.data.message : 'The server cannot be reached.')
}

/** The states of a set that are kept, latest first. */
export const statesOf = async (setId: string): Promise<PastState[]> => States.parse(await asked(setId, '')).states

/** Fetches the set of an earlier state. */
export const setAsItWas = async (setId: string, revision: number): Promise<IconSet> =>
  (await asked(setId, `/${revision}`)) as IconSet

/** Names a state (the current saved set if no revision is given); null removes the name. */
export const nameState = (setId: string, revision: number | null, name: string | null): Promise<unknown> =>
  asked(setId, revision === null ? '' : `/${revision}`, { name })
