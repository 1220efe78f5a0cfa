import { z } from 'zod'
import { database } from '@/server/database'
import { done, failed } from '@/server/failure'
import { answer, boundedBytes, jsonOf, reply } from '@/server/http'
import { nameState, pastSet } from '@/server/past'

type Asked = { params: Promise<{ setId: string; revision: string }> }

const Wish = z.strictObject({ name: z.string().nullable() })

/** The longest request, in bytes. */
const MOST = 4_000

/** A set as it was in a state that is kept. */
export const GET = (_: Request, { params }: Asked): Promise<Response> =>
  answer(async () => {
    const { setId, revision } = await params
    const set = await pastSet(await database(), setId, Number(revision))
    if (set === null) return reply(failed('not-found', 'This state is no longer kept.'))
    return new Response(set, { headers: { 'content-type': 'application/json', 'cache-control': 'no-store' } })
  })

/** Gives a state that is kept another name; null takes it away. */
export const POST = (request: Request, { params }: Asked): Promise<Response> =>
  answer(async () => {
    const bytes = await boundedBytes(request, MOST)
    if (!bytes.ok) return reply(bytes)
    const wish = Wish.safeParse(jsonOf(bytes.value))
    if (!wish.success) return reply(failed('invalid', 'A state has a name, or null for none.'))
    const { setId, revision } = await params
    const named = await nameState(await database(), setId, Number(revision), wish.data.name)
    return reply(named.ok ? done({ revision: named.value }) : named)
  })
