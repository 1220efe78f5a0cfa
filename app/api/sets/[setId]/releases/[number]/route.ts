import { database } from '@/server/database/database'
import { releaseArchive } from '@/server/delivery/releases'
import { failed } from '@/server/result'
import { answer, download, reply } from '@/server/http'
import { nameOfSet } from '@/server/sets'

/** A release's files, byte for byte as released. */
export const GET = (
  _: Request,
  { params }: { params: Promise<{ setId: string; number: string }> },
): Promise<Response> =>
  answer(async () => {
    const { setId, number } = await params,
      db = await database()
    const archive = await releaseArchive(db, setId, Number(number))
    if (!archive) return reply(failed('not-found', 'There is no such release.'))
    return download(archive, `${(await nameOfSet(db, setId)) ?? 'set'} ${number}.zip`, 'application/zip')
  })
