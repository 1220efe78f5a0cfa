import { database } from '@/server/database'
import { delivered, targetsFrom } from '@/server/delivery'
import { inTime } from '@/server/drawn'
import { failed } from '@/server/failure'
import { answer, reply } from '@/server/http'
import { renderer } from '@/server/renderer/renderer'
import { GONE, readSet } from '@/server/sets'

/** How long an answer waits for files that are being made, in milliseconds. */
const PATIENCE = 3000

/**
 * What a delivery will write: every file's path and its size in bytes; and which icons it cannot. While the files are
 * being made, that they are pending.
 */
export const GET = (request: Request, { params }: { params: Promise<{ setId: string }> }): Promise<Response> =>
  answer(async () => {
    const db = await database(),
      stored = await readSet(db, (await params).setId)
    if (!stored) return reply(failed('not-found', GONE))
    const making = delivered(db, renderer(), stored, targetsFrom(new URL(request.url).searchParams))
    if (!(await inTime(making, PATIENCE)))
      return Response.json({ revision: stored.revision, pending: true }, { status: 202 })
    const { files, problems } = await making
    return Response.json({
      revision: stored.revision,
      files: files.map(({ path, bytes }) => ({ path, bytes: bytes.length })),
      problems,
    })
  })
