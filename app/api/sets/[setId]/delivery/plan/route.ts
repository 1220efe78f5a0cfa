import { database } from '@/server/database'
import { delivered, optionsFrom } from '@/server/delivery'
import { failed } from '@/server/failure'
import { answer, reply } from '@/server/http'
import { renderer } from '@/server/renderer/renderer'
import { GONE, readSet } from '@/server/sets'

/** What a delivery will write: every file's path and its size in bytes; and which icons it cannot. */
export const GET = (request: Request, { params }: { params: Promise<{ setId: string }> }): Promise<Response> =>
  answer(async () => {
    const db = await database(), stored = await readSet(db, (await params).setId)
    if (!stored) return reply(failed('not-found', GONE))
    const { files, problems } = await delivered(db, renderer(), stored, optionsFrom(new URL(request.url).searchParams))
    return Response.json({ revision: stored.revision, files: files.map(({ path, bytes }) => ({ path, bytes: bytes.length })), problems })
  })
