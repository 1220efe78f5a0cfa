import { database } from '@/server/database'
import { deliveredFiles, optionsFrom } from '@/server/delivery'
import { failed } from '@/server/failure'
import { reply } from '@/server/http'
import { readSet } from '@/server/sets'

/** What a delivery will write: every file's path and its size in bytes. */
export async function GET(request: Request, { params }: { params: Promise<{ setId: string }> }): Promise<Response> {
  const stored = await readSet(await database(), (await params).setId)
  if (!stored) return reply(failed('not-found', 'This set is no longer there.'))
  const files = await deliveredFiles(stored, optionsFrom(new URL(request.url).searchParams))
  return Response.json({ revision: stored.revision, files: files.map(({ path, bytes }) => ({ path, bytes: bytes.length })) })
}
