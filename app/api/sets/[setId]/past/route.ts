import { z } from 'zod'
import { database } from '@/server/database/database'
import { done, failed } from '@/server/result'
import { answer, reply, wishIn } from '@/server/http'
import { nameState, pastStates } from '@/server/past'
import { GONE } from '@/server/set-row'

type Asked = { params: Promise<{ setId: string }> }

const Wish = z.strictObject({ name: z.string() })

/** The longest request, in bytes. */
const MOST = 4_000

/** The states of a set that are kept, latest first. */
export const GET = (_: Request, { params }: Asked): Promise<Response> =>
  answer(async () => {
    const states = await pastStates(await database(), (await params).setId)
    return reply(states ? done({ states }) : failed('not-found', GONE))
  })

/** Stores the current state of a set under a name. */
export const POST = (request: Request, { params }: Asked): Promise<Response> =>
  answer(async () => {
    const wish = await wishIn(request, Wish, MOST, 'Give the state a name.')
    if (!wish.ok) return reply(wish)
    const named = await nameState(await database(), (await params).setId, null, wish.value.name)
    return reply(named.ok ? done({ revision: named.value }) : named)
  })
