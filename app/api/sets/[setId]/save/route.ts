import { MAX_BYTES } from '@/core/formats/max-bytes'
import { database } from '@/server/database/database'
import { drawSoon } from '@/server/drawn'
import { tell } from '@/server/events'
import { done } from '@/server/result'
import { answer, boundedBytes, reply } from '@/server/http'
import { renderer } from '@/server/renderer/renderer'
import { saveSet } from '@/server/save'

/** Saves changes to a set; answers its new revision. */
export const POST = (request: Request, { params }: { params: Promise<{ setId: string }> }): Promise<Response> =>
  answer(async () => {
    const bytes = await boundedBytes(request, MAX_BYTES)
    if (!bytes.ok) return reply(bytes)
    const db = await database(),
      { setId } = await params
    const saved = await saveSet(db, renderer(), setId, bytes.value)
    if (!saved.ok) return reply(saved)
    tell({ kind: 'set', set: setId, revision: saved.value })
    drawSoon(db, renderer(), setId)
    return reply(done({ revision: saved.value }))
  })
