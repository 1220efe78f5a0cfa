import { database } from '@/server/database/database'
import { epochOf } from '@/server/database/epoch'
import { failed } from '@/server/result'
import { answer, reply } from '@/server/http'
import { setJson } from '@/server/set-rows'
import { GONE } from '@/server/set-row'
import { readSet } from '@/server/sets'

/** The current set with its revisions. */
export const GET = (_: Request, { params }: { params: Promise<{ setId: string }> }): Promise<Response> =>
  answer(async () => {
    const db = await database(),
      stored = await readSet(db, (await params).setId)
    if (!stored) return reply(failed('not-found', GONE))
    const { revision, revisions, rows } = stored
    const head = JSON.stringify({ epoch: await epochOf(db), revision, revisions }).slice(0, -1)
    return new Response(`${head},"set":${setJson(rows)}}`, {
      headers: { 'content-type': 'application/json', 'cache-control': 'no-store' },
    })
  })
