import { MAX_BYTES } from '@/core/formats/set-file'
import { database } from '@/server/database'
import { failed } from '@/server/failure'
import { boundedText, refuseForeign, reply } from '@/server/http'
import { saveSet } from '@/server/save'

/** Saves changes to a set; answers its new revision. */
export async function POST(request: Request, { params }: { params: Promise<{ setId: string }> }): Promise<Response> {
  const foreign = refuseForeign(request)
  if (foreign) return foreign
  const text = await boundedText(request, MAX_BYTES)
  if (!text.ok) return reply(text)
  let body: unknown
  try {
    body = JSON.parse(text.value)
  } catch {
    return reply(failed('invalid', 'The request is not valid JSON.'))
  }
  return reply(await saveSet(await database(), (await params).setId, body))
}
