import { archiveStream } from '@/server/delivery/archive-stream'
import { runOf } from '@/server/delivery/runs'
import { failed } from '@/server/result'
import { answer, download, reply } from '@/server/http'

/** Streams the files of a delivery as a zip archive. */
export const GET = (_: Request, { params }: { params: Promise<{ setId: string; runId: string }> }): Promise<Response> =>
  answer(async () => {
    const { setId, runId } = await params,
      run = runOf(setId, runId)
    if (!run) return reply(failed('not-found', 'This delivery is no longer there.'))
    await run.ended
    if (run.progress.state !== 'done' || !run.spool)
      return reply(failed('unavailable', run.progress.message ?? 'The delivery was cancelled.'))
    return download(archiveStream(run.spool), `${run.stored.family.name}.zip`, 'application/zip')
  })
