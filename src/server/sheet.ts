import { z } from 'zod'
import { schemaSentence } from '../core/formats/plain-words'
import { type Rules, Size } from '../core/rules/rules'
import type { Db } from './database/database'
import { drawnIcons } from './drawn'
import { done, failed, type Result } from './result'
import type { Renderer } from './renderer/renderer'
import type { SheetPages } from './renderer/sheet-pdf'
import type { StoredSet } from './sets'

const Asked = z.object({
  sizes: z
    .string('Say which sizes: sizes=16,24.')
    .transform((text) => text.split(',').map(Number))
    .pipe(z.array(Size).min(1).max(12)),
  ground: z.enum(['light', 'dark']).default('light'),
})

/** What the sheet of a set shows, as an address asks for it. */
export async function sheetOf(
  db: Db,
  renderer: Renderer,
  { id, rows }: StoredSet,
  query: URLSearchParams,
): Promise<Result<SheetPages>> {
  const asked = Asked.safeParse(Object.fromEntries(query))
  if (!asked.success) return failed('invalid', schemaSentence(asked.error))
  const { sizes, ground } = asked.data
  const rules = JSON.parse(rows.rules) as Rules
  const drawn = await drawnIcons(db, renderer, id, 'all'),
    pictures = new Map(drawn.flatMap((icon) => (icon.picture ? [[icon.id, icon] as const] : [])))
  return done({
    title: rows.name,
    note: `${drawn.length} icons · grid ${rules.grid.size} · ${sizes.join(', ')} px`,
    colours: ground,
    ground: ground === 'dark' ? '#14231f' : '#fbfcfb',
    text: ground === 'dark' ? '#9dafa8' : '#55645f',
    rules: rows.rules,
    icons: rows.icons.map(({ id: own, name }) => {
      const known = pictures.get(own)
      return known
        ? { name, drawn: { picture: known.picture, others: known.others }, sizes }
        : { name: `${name} (cannot be drawn)`, drawn: null, sizes: [] }
    }),
  })
}
