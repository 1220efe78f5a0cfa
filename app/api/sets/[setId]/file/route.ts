import { writeSetFile } from '@/core/formats/set-file'
import { database } from '@/server/database'
import { failed } from '@/server/failure'
import { download, reply } from '@/server/http'
import { picturesOf } from '@/server/set-pictures'
import { readSet } from '@/server/sets'

/** The set as a set file, to be kept; with the pictures it is drawn by, unless `pictures=no`. */
export async function GET(request: Request, { params }: { params: Promise<{ setId: string }> }): Promise<Response> {
  const db = await database()
  const stored = await readSet(db, (await params).setId)
  if (!stored) return reply(failed('not-found', 'This set is no longer there.'))
  const pictures = new URL(request.url).searchParams.get('pictures') === 'no' ? null : await picturesOf(db, stored.set)
  if (pictures && !pictures.ok) return reply(pictures)
  return download(writeSetFile(stored.set, pictures?.value), `${stored.set.name}.wisesquare.json`, 'application/json')
}
