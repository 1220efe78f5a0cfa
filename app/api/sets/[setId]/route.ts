import { database } from '@/server/database'
import { failed } from '@/server/failure'
import { answer, reply } from '@/server/http'
import { setJson } from '@/server/set-rows'
import { GONE, readSet } from '@/server/sets'

/** A set as it is now: its revision, the session that saved it last, and all that is in it. */
export const GET = (_: Request, { params }: { params: Promise<{ setId: string }> }): Promise<Response> =>
  answer(async () => {
    const stored = await readSet(await database(), (await params).setId)
    if (!stored) return reply(failed('not-found', GONE))
    const { revision, writer, rows } = stored
    return new Response(`{"revision":${revision},"writer":${JSON.stringify(writer)},"set":${setJson(rows)}}`, {
      headers: { 'content-type': 'application/json', 'cache-control': 'no-store' },
    })
  })
