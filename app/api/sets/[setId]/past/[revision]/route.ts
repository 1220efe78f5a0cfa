import { z } from 'zod'
import { database } from '@/server/database/database'
import { done, failed } from '@/server/result'
import { answer, reply, wishIn } from '@/server/http'
import { nameState, pastSet } from '@/server/past'

type Asked = { params: Promise<{ setId: string; revision: string }> }

const Wish = z.strictObject({ name: z.string().nullable() })

/** The longest request, in bytes. */
const MOST = 4_000

/** A stored earlier state of a set. */
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
    const wish = await wishIn(request, Wish, MOST, 'A state has a name, or null for none.')
    if (!wish.ok) return reply(wish)
    const { setId, revision } = await params
    const named = await nameState(await database(), setId, Number(revision), wish.value.name)
    return reply(named.ok ? done({ revision: named.value }) : named)
  })
