import { database } from '@/server/database/database'
import { failed } from '@/server/result'
import { answer, reply } from '@/server/http'
import { leaders, ledRules } from '@/server/sets'

/** The ids and names of the sets on the shelf, or with `id=ID` or `set=NAME` the rules of one. */
export const GET = (request: Request): Promise<Response> =>
  answer(async () => {
    const query = new URL(request.url).searchParams
    const id = query.get('id'),
      name = query.get('set')
    const db = await database()
    if (id === null && name === null)
      return Response.json(await leaders(db), { headers: { 'cache-control': 'no-store' } })
    const led = await ledRules(db, id, name)
    if (!led) return reply(failed('not-found', `There is no set “${(name ?? id ?? '').slice(0, 80)}” on the shelf.`))
    const head = JSON.stringify({ id: led.id, name: led.name }).slice(0, -1)
    return new Response(`${head},"rules":${led.rules}}`, {
      headers: { 'content-type': 'application/json', 'cache-control': 'no-store' },
    })
  })
