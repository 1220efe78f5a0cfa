import { changesBetween, type Delivered } from '@/core/targets/compare'
import { database } from '@/server/database/database'
import { deliveredNow, releasedIn, shownChanges } from '@/server/delivery/releases'
import { done, failed } from '@/server/result'
import { answer, reply } from '@/server/http'
import { renderer } from '@/server/renderer/renderer'

/** What changed since a release: up to now, as it would be delivered to some targets, or up to another release. */
export const GET = (
  request: Request,
  { params }: { params: Promise<{ setId: string; number: string }> },
): Promise<Response> =>
  answer(async () => {
    const { setId, number } = await params,
      db = await database(),
      query = new URL(request.url).searchParams
    const before = await releasedIn(db, setId, Number(number))
    if (!before) return reply(failed('not-found', 'There is no such release.'))
    const to = query.get('to')
    if (to !== null) {
      const after = await releasedIn(db, setId, Number(to))
      return reply(after ? done(await shown(before, after)) : failed('not-found', 'There is no such release.'))
    }
    const now = await deliveredNow(db, renderer(), setId, (query.get('targets') ?? '').split(',').filter(Boolean))
    return reply(now.ok ? done(await shown(before, now.value)) : now)
  })

const shown = (before: Delivered, after: Delivered) => shownChanges(renderer(), changesBetween(before, after))
