import { database } from '@/server/database/database'
import { failed } from '@/server/result'
import { answer, download, reply } from '@/server/http'
import { renderer } from '@/server/renderer/renderer'
import { sheetOf } from '@/server/sheet'
import { GONE } from '@/server/set-row'
import { readSet } from '@/server/sets'

/** The set on one sheet as a PDF: `sizes=16,24` and `ground=light` or `dark`. */
export const GET = (request: Request, { params }: { params: Promise<{ setId: string }> }): Promise<Response> =>
  answer(async () => {
    const db = await database()
    const stored = await readSet(db, (await params).setId)
    if (!stored) return reply(failed('not-found', GONE))
    const sheet = await sheetOf(db, renderer(), stored, new URL(request.url).searchParams)
    if (!sheet.ok) return reply(sheet)
    return download(await renderer().run('sheetPdf', sheet.value), `${stored.rows.name}.pdf`, 'application/pdf')
  })
