import { zip } from '@/core/formats/delivery'
import { database } from '@/server/database'
import { deliveredFiles, optionsFrom } from '@/server/delivery'
import { failed } from '@/server/failure'
import { download, reply } from '@/server/http'
import { readSet } from '@/server/sets'

/** The delivery of a set as a zip archive. */
export async function GET(request: Request, { params }: { params: Promise<{ setId: string }> }): Promise<Response> {
  const stored = await readSet(await database(), (await params).setId)
  if (!stored) return reply(failed('not-found', 'This set is no longer there.'))
  const files = await deliveredFiles(stored, optionsFrom(new URL(request.url).searchParams))
  return download(zip(files), `${stored.set.name}.zip`, 'application/zip')
}
