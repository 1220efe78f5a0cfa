import { Presence, visit } from '@/server/events'
import { failed } from '@/server/result'
import { answer, boundedBytes, jsonOf, reply } from '@/server/http'

/** Says which set and icon a window shows; none once it is left. */
export const POST = (request: Request): Promise<Response> =>
  answer(async () => {
    const bytes = await boundedBytes(request, 1000)
    if (!bytes.ok) return reply(bytes)
    const parsed = Presence.safeParse(jsonOf(bytes.value))
    if (!parsed.success) return reply(failed('invalid', 'It is not said which window shows which set.'))
    visit(parsed.data)
    return Response.json({})
  })
