import { writeSetFile } from '@/core/formats/set-file'
import { database } from '@/server/database'
import { failed } from '@/server/failure'
import { download, reply } from '@/server/http'
import { readSet } from '@/server/sets'

/** The set as a set file, to be kept. */
export async function GET(_: Request, { params }: { params: Promise<{ setId: string }> }): Promise<Response> {
  const stored = await readSet(await database(), (await params).setId)
  if (!stored) return reply(failed('not-found', 'This set is no longer there.'))
  return download(writeSetFile(stored.set), `${stored.set.name}.wisesquare.json`, 'application/json')
}
