import { database } from '@/server/database'
import { delivered, targetsFrom } from '@/server/delivery'
import { failed } from '@/server/failure'
import { answer, download, reply } from '@/server/http'
import { renderer } from '@/server/renderer/renderer'
import { GONE, readSet } from '@/server/sets'

/** The delivery of a set as a zip archive. */
export const GET = (request: Request, { params }: { params: Promise<{ setId: string }> }): Promise<Response> =>
  answer(async () => {
    const db = await database(),
      stored = await readSet(db, (await params).setId)
    if (!stored) return reply(failed('not-found', GONE))
    const { files } = await delivered(db, renderer(), stored, targetsFrom(new URL(request.url).searchParams))
    return download(await renderer().run('zip', files), `${stored.rows.name}.zip`, 'application/zip')
  })
