import { database } from '@/server/database/database'
import { failed } from '@/server/result'
import { answer, reply } from '@/server/http'
import { changesSince } from '@/server/save'
import { GONE } from '@/server/set-row'

/** What changed in a set since a revision: `since=41&epoch=…`. */
export const GET = (request: Request, { params }: { params: Promise<{ setId: string }> }): Promise<Response> =>
  answer(async () => {
    const query = new URL(request.url).searchParams,
      since = Number(query.get('since'))
    if (!Number.isInteger(since)) return reply(failed('invalid', 'Say since which revision: since=41.'))
    const changes = await changesSince(await database(), (await params).setId, since, query.get('epoch') ?? '')
    if (changes === null) return reply(failed('not-found', GONE))
    return new Response(changes, { headers: { 'content-type': 'application/json', 'cache-control': 'no-store' } })
  })
