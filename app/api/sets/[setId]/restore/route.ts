import { database } from '@/server/database/database'
import { tell } from '@/server/events'
import { answer, reply } from '@/server/http'
import { restoreSet } from '@/server/sets'

/** Puts a deleted set back on the shelf. */
export const POST = (_: Request, { params }: { params: Promise<{ setId: string }> }): Promise<Response> =>
  answer(async () => {
    const restored = await restoreSet(await database(), (await params).setId)
    tell({ kind: 'again' })
    return reply(restored)
  })
