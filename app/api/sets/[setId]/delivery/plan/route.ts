import { database } from '@/server/database'
import { readFamily } from '@/server/delivery/family'
import { runOf, targetsFrom } from '@/server/delivery/runs'
import { inTime } from '@/server/drawn'
import { failed } from '@/server/failure'
import { answer, reply } from '@/server/http'
import { renderer } from '@/server/renderer/renderer'
import { GONE } from '@/server/sets'

/** How long an answer waits for files that are being made, in milliseconds. */
const PATIENCE = 300

/**
 * What a delivery will write: every file's path and its size in bytes; which icons it cannot, and what speaks against
 * others. While the files are being made, how far that is.
 */
export const GET = (request: Request, { params }: { params: Promise<{ setId: string }> }): Promise<Response> =>
  answer(async () => {
    const db = await database(),
      stored = await readFamily(db, (await params).setId)
    if (!stored) return reply(failed('not-found', GONE))
    const query = new URL(request.url).searchParams,
      seen = Number(query.get('rev') ?? stored.revision)
    // Who asks about what has changed since asks again soon; what is being made of the set as it is now goes on.
    if (seen < stored.revision) return Response.json({ revision: stored.revision, pending: true }, { status: 202 })
    const run = runOf(db, renderer(), stored, targetsFrom(query, stored))
    if (!(await inTime(run.ended, PATIENCE)))
      return Response.json({ revision: stored.revision, pending: true, progress: run.progress }, { status: 202 })
    if (run.progress.state !== 'done')
      return reply(failed('unavailable', run.progress.message ?? 'The delivery was called off.'))
    return Response.json({
      revision: stored.revision,
      files: (run.spool?.files ?? []).map(({ path, bytes }) => ({ path, bytes })),
      problems: run.problems,
      faults: run.faults,
    })
  })
