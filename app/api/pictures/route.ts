import { database } from '@/server/database'
import { boundedBytes, refuseForeign, reply } from '@/server/http'
import { addPicture, PICTURE_BYTES } from '@/server/pictures'

/** Keeps a picture to draw by; answers its id and its size in pixels. */
export async function POST(request: Request): Promise<Response> {
  const foreign = refuseForeign(request)
  if (foreign) return foreign
  const bytes = await boundedBytes(request, PICTURE_BYTES)
  return reply(bytes.ok ? await addPicture(await database(), bytes.value) : bytes)
}
