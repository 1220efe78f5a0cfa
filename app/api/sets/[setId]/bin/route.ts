import { database } from '@/server/database/database'
import { answer } from '@/server/http'
import { deletedIcons } from '@/server/save'

/** The icons that were deleted from a set, latest first. */
export const GET = (_: Request, { params }: { params: Promise<{ setId: string }> }): Promise<Response> =>
  answer(
    async () =>
      new Response(await deletedIcons(await database(), (await params).setId), {
        headers: { 'content-type': 'application/json', 'cache-control': 'no-store' },
      }),
  )
