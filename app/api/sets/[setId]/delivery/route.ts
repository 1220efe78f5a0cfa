import { database } from '@/server/database'
import { archiveStream } from '@/server/delivery/archive-stream'
import { readFamily } from '@/server/delivery/family'
import { runOf, targetsFrom } from '@/server/delivery/runs'
import { failed } from '@/server/failure'
import { answer, download, reply } from '@/server/http'
import { renderer } from '@/server/renderer/renderer'
import { GONE } from '@/server/sets'

/** The delivery of a set as a zip archive, sent as it is read. */
export const GET = (request: Request, { params }: { params: Promise<{ setId: string }> }): Promise<Response> =>
  answer(async () => {
    const db = await database(),
      stored = await readFamily(db, (await params).setId)
    if (!stored) return reply(failed('not-found', GONE))
    const run = runOf(db, renderer(), stored, targetsFrom(new URL(request.url).searchParams, stored))
    await run.ended
    if (run.progress.state !== 'done' || !run.spool)
      return reply(failed('unavailable', run.progress.message ?? 'The delivery was called off.'))
    return download(archiveStream(run.spool), `${stored.family.name}.zip`, 'application/zip')
  })
