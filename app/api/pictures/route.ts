import { database } from '@/server/database/database'
import { answer, boundedBytes, reply } from '@/server/http'
import { addPicture, PICTURE_BYTES } from '@/server/pictures'
import { renderer } from '@/server/renderer/renderer'

/** Keeps a picture to draw by; answers its id and its size in pixels. */
export const POST = (request: Request): Promise<Response> =>
  answer(async () => {
    const bytes = await boundedBytes(request, PICTURE_BYTES)
    return reply(bytes.ok ? await addPicture(await database(), renderer(), bytes.value) : bytes)
  })
