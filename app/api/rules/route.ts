import { database } from '@/server/database'
import { failed } from '@/server/failure'
import { answer, reply } from '@/server/http'
import { rulesOf, setNames } from '@/server/sets'

/** The names of the sets on the shelf, or with `set=NAME` the rules of one. */
export const GET = (request: Request): Promise<Response> =>
  answer(async () => {
    const name = new URL(request.url).searchParams.get('set')
    const db = await database()
    if (name === null) return Response.json(await setNames(db), { headers: { 'cache-control': 'no-store' } })
    const rules = await rulesOf(db, name)
    return rules === null
      ? reply(failed('not-found', `There is no set “${name.slice(0, 80)}” on the shelf.`))
      : new Response(rules, { headers: { 'content-type': 'application/json', 'cache-control': 'no-store' } })
  })
