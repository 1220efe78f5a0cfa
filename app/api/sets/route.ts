import { MAX_BYTES } from '@/core/formats/max-bytes'
import { database } from '@/server/database/database'
import { tell } from '@/server/events'
import { answer, boundedBytes, reply } from '@/server/http'
import { renderer } from '@/server/renderer/renderer'
import { importSetFile } from '@/server/set-files'

/** Imports a set file as a new set; answers its id and the name it got. */
export const POST = (request: Request): Promise<Response> =>
  answer(async () => {
    const bytes = await boundedBytes(request, MAX_BYTES)
    if (!bytes.ok) return reply(bytes)
    const added = await importSetFile(await database(), renderer(), bytes.value)
    tell({ kind: 'shelf' })
    return reply(added)
  })
