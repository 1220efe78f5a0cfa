import { giveUpRun, runOf } from '@/server/delivery/runs'
import { inTime } from '@/server/drawn'
import { failed } from '@/server/result'
import { answer, reply } from '@/server/http'

type Asked = { params: Promise<{ setId: string; runId: string }> }

/** How long an answer waits for files that are being made, in milliseconds. */
const PATIENCE = 300

/**
 * What a delivery writes: every file's path and its size in bytes; which icons it cannot, what speaks against others, and
 * which sizes come out soft.
 * While the files are being made, how far that is.
 */
export const GET = (_: Request, { params }: Asked): Promise<Response> =>
  answer(async () => {
    const { setId, runId } = await params,
      run = runOf(setId, runId)
    if (!run) return reply(failed('not-found', 'This delivery is no longer there.'))
    const { revision } = run.stored
    if (!(await inTime(run.ended, PATIENCE)))
      return Response.json({ revision, pending: true, progress: run.progress }, { status: 202 })
    if (run.progress.state !== 'done')
      return reply(failed('unavailable', run.progress.message ?? 'The delivery was cancelled.'))
    return Response.json({
      revision,
      files: (run.spool?.files ?? []).map(({ path, bytes }) => ({ path, bytes })),
      leftOut: run.leftOut,
      problems: run.problems,
      soft: run.soft,
    })
  })

/** Gives a delivery up: it is called off where nobody else waits for it. */
export const DELETE = (_: Request, { params }: Asked): Promise<Response> =>
  answer(async () => {
    const { setId, runId } = await params
    return Response.json({ given: await giveUpRun(setId, runId) })
  })
