import { database } from '@/server/database/database'
import { failed } from '@/server/result'
import { answer, download, reply } from '@/server/http'
import { renderer } from '@/server/renderer/renderer'
import { exportSetFile } from '@/server/set-files'
import { GONE } from '@/server/set-row'
import { readSet } from '@/server/sets'

/** The set as a set file, to be kept; with the pictures it is drawn by, unless `pictures=no`. */
export const GET = (request: Request, { params }: { params: Promise<{ setId: string }> }): Promise<Response> =>
  answer(async () => {
    const db = await database()
    const stored = await readSet(db, (await params).setId)
    if (!stored) return reply(failed('not-found', GONE))
    const text = await exportSetFile(
      db,
      renderer(),
      stored.rows,
      new URL(request.url).searchParams.get('pictures') !== 'no',
    )
    return text.ok ? download(text.value, `${stored.rows.name}.wisesquare.json`, 'application/json') : reply(text)
  })
