import { database } from '@/server/database/database'
import { drawnIcons, type Which } from '@/server/drawn'
import { failed } from '@/server/result'
import { answer, reply } from '@/server/http'
import { renderer } from '@/server/renderer/renderer'

/** How long an answer waits for icons that are being drawn, in milliseconds. */
const PATIENCE = 600

/** The most icons that one request may ask for. */
const MOST = 200

/**
 * Pictures of icons: the first few (`first=11`) or those of `ids=a,b,c`. Pictures not yet made are listed as pending;
 * ask again for them.
 */
export const GET = (request: Request, { params }: { params: Promise<{ setId: string }> }): Promise<Response> =>
  answer(async () => {
    const which = asked(new URL(request.url).searchParams)
    if (!which) return reply(failed('invalid', `Say which icons: first=11, or ids=a,b,c; at most ${MOST} at once.`))
    return Response.json(await drawnIcons(await database(), renderer(), (await params).setId, which, PATIENCE), {
      headers: { 'cache-control': 'no-store' },
    })
  })

function asked(query: URLSearchParams): Which | null {
  const ids = query.get('ids')?.split(',')
  if (ids) return ids.length <= MOST ? { ids } : null
  const first = Number(query.get('first'))
  return Number.isInteger(first) && first > 0 && first <= MOST ? { first } : null
}
