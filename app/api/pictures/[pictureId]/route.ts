import { database } from '@/server/database/database'
import { failed } from '@/server/result'
import { answer, reply } from '@/server/http'
import { readPicture } from '@/server/pictures'

/** The bytes of a kept picture, which never change. */
export const GET = (_: Request, { params }: { params: Promise<{ pictureId: string }> }): Promise<Response> =>
  answer(async () => {
    const picture = await readPicture(await database(), (await params).pictureId)
    if (!picture) return reply(failed('not-found', 'This picture is no longer there.'))
    return new Response(picture.bytes as BodyInit, {
      headers: { 'content-type': picture.kind, 'cache-control': 'public, max-age=31536000, immutable' },
    })
  })
