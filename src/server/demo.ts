import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { readSetFile } from '../core/formats/set-file'
import type { Db } from './database'
import { keepPictures } from './set-pictures'
import { addSet } from './sets'

/** The demo sets that ship with the product, in the order of the shelf. */
const FILES = ['quayside.wisesquare.json', 'skerry-app.wisesquare.json']

/** Adds the demo sets to the shelf. Throws when a shipped file is unreadable. */
export async function addDemoSets(db: Db, folder = join(/* turbopackIgnore: true */ process.cwd(), 'demo')): Promise<void> {
  for (const file of FILES) {
    const { set, pictures, error } = readSetFile(await readFile(join(/* turbopackIgnore: true */ folder, file), 'utf8'))
    if (error) throw new Error(`${file}: ${error.message}`)
    const added = await addSet(db, set)
    if (!added.ok) throw new Error(`${file}: ${added.failure.message}`)
    await keepPictures(db, pictures)
  }
}

/** On the first start of a data folder: the demo sets, unless it is to be empty. Later starts change nothing. */
export async function firstStart(db: Db, empty: boolean): Promise<void> {
  const started = await db.selectFrom('settings').select('value').where('key', '=', 'started').executeTakeFirst()
  if (started) return
  if (!empty) await addDemoSets(db)
  await db.insertInto('settings').values({ key: 'started', value: new Date().toISOString() }).execute()
}
