import { MAX_BYTES, readSetFile } from '@/core/formats/set-file'
import { database } from '@/server/database'
import { failed } from '@/server/failure'
import { boundedText, refuseForeign, reply } from '@/server/http'
import { keepPictures } from '@/server/set-pictures'
import { addSet, readSet } from '@/server/sets'

/** Imports a set file as a new set; answers its id and the name it got. */
export async function POST(request: Request): Promise<Response> {
  const foreign = refuseForeign(request)
  if (foreign) return foreign
  const text = await boundedText(request, MAX_BYTES)
  if (!text.ok) return reply(text)
  const { set, pictures, error } = readSetFile(text.value)
  if (error) return reply(failed(error.code === 'too-large' ? 'too-large' : 'invalid', error.message))
  const db = await database()
  const added = await addSet(db, set)
  if (!added.ok) return reply(added)
  await keepPictures(db, pictures)
  const stored = await readSet(db, added.value)
  return Response.json({ id: added.value, name: stored!.set.name })
}
