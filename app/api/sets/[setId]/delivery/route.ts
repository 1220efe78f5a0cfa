import { z } from 'zod'
import { targetsOf } from '@/core/targets/plan'
import { database } from '@/server/database/database'
import { readStoredSet } from '@/server/delivery/stored-set'
import { holdRun, knownTargets } from '@/server/delivery/runs'
import { done, failed } from '@/server/result'
import { answer, reply, wishIn } from '@/server/http'
import { renderer } from '@/server/renderer/renderer'
import { GONE } from '@/server/set-row'

const Wish = z.strictObject({ targets: z.array(z.string().max(40)).max(40).optional() })

/** The longest request, in bytes. */
const MOST = 16_000

/**
 * Begins a delivery of the current set to the named targets, by default those chosen in the set; answers the id for
 * progress, download and cancelling.
 */
export const POST = (request: Request, { params }: { params: Promise<{ setId: string }> }): Promise<Response> =>
  answer(async () => {
    const wish = await wishIn(request, Wish, MOST, 'A delivery names its targets.')
    if (!wish.ok) return reply(wish)
    const db = await database(),
      stored = await readStoredSet(db, (await params).setId)
    if (!stored) return reply(failed('not-found', GONE))
    const run = holdRun(db, renderer(), stored, knownTargets(wish.value.targets ?? targetsOf(stored.family)))
    return reply(done({ run: run.id, revision: stored.revision }))
  })
