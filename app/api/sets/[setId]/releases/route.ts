import { z } from 'zod'
import { database } from '@/server/database/database'
import { addRelease, listReleases } from '@/server/delivery/releases'
import { answer, reply, wishIn } from '@/server/http'
import { renderer } from '@/server/renderer/renderer'

type Asked = { params: Promise<{ setId: string }> }

const Wish = z.strictObject({ note: z.string(), targets: z.array(z.string().max(40)).max(40) })

/** The longest request, in bytes. */
const MOST = 64_000

/** The releases of a set, latest first. */
export const GET = (_: Request, { params }: Asked): Promise<Response> =>
  answer(async () => Response.json({ releases: await listReleases(await database(), (await params).setId) }))

/** Stores the delivery of the current set as its next release. */
export const POST = (request: Request, { params }: Asked): Promise<Response> =>
  answer(async () => {
    const wish = await wishIn(request, Wish, MOST, 'A release has a note and the targets it is made for.')
    if (!wish.ok) return reply(wish)
    const { note, targets } = wish.value
    return reply(await addRelease(await database(), renderer(), (await params).setId, targets, note))
  })
