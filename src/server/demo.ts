import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { Db } from './database/database'
import { drawSoon } from './drawn'
import type { Renderer } from './renderer/renderer'
import { keepPictures } from './set-files'
import { addSet } from './sets'

/** The demo sets that ship with the product, in the order of the shelf. */
const FILES = ['quayside.wisesquare.json', 'quayside-solid.wisesquare.json', 'skerry-app.wisesquare.json']

/**
 * Adds the demo sets to the shelf, all or none, and whatever else belongs to it. Throws when a shipped file is
 * unreadable.
 */
export async function addDemoSets(db: Db, renderer: Renderer, also?: (tx: Db) => Promise<unknown>): Promise<void> {
  const folder = join(/* turbopackIgnore: true */ process.cwd(), 'demo')
  const read: Awaited<ReturnType<typeof readDemo>>[] = []
  for (const file of FILES) {
    read.push(await readDemo(renderer, join(/* turbopackIgnore: true */ folder, file)))
  }
  // Pictures first: they are kept by their contents, so that twice is once.
  for (const { pictures } of read)
    if ((await keepPictures(db, renderer, pictures)) > 0) throw new Error('A picture of the demo sets cannot be read.')
  const added = await db.transaction().execute(async (tx) => {
    const ids: string[] = []
    for (const { rows } of read) ids.push((await addSet(tx, rows)).id)
    await also?.(tx)
    return ids
  })
  for (const id of added) drawSoon(db, renderer, id)
}

async function readDemo(renderer: Renderer, file: string) {
  const read = await renderer.run('readFile', await readFile(/* turbopackIgnore: true */ file))
  if ('error' in read) throw new Error(`${file}: ${read.error.message}`)
  return read
}

/**
 * On the first start of a data folder: the demo sets, unless it is to be empty. Later starts change nothing, even when
 * the first was cut off.
 */
export async function firstStart(db: Db, renderer: Renderer, empty: boolean): Promise<void> {
  const started = await db.selectFrom('settings').select('value').where('key', '=', 'started').executeTakeFirst()
  if (started) return
  const note = (tx: Db) =>
    tx.insertInto('settings').values({ key: 'started', value: new Date().toISOString() }).execute()
  if (empty) await note(db)
  else await addDemoSets(db, renderer, note)
}
