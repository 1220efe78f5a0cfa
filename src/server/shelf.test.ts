import { execFileSync } from 'node:child_process'
import {
  existsSync,
  mkdtempSync,
  openSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
  writeSync,
  closeSync,
  statSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Database from 'better-sqlite3'
import { Kysely } from 'kysely'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { pier } from '../testing/samples'
import { copyDatabase, copiesOf, DATABASE } from './copies'
import { AtomicDialect, holdFolder, openDatabase } from './database'
import { epochOf } from './epoch'
import { faultSentence } from './fault-sentence'
import { migrate, MIGRATION_NAMES } from './migrations'
import { purge } from './purge'
import { rowsOfSet } from './set-rows'
import { addSet, listSets, readSet } from './sets'

const { restore } = (await import('../../bin/restore.mjs' as string)) as {
  restore: (data: string, name?: string) => { copy: string; aside: string }
}

let folder: string
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'wise-square-shelf-'))))
afterEach(() => rmSync(folder, { recursive: true, force: true }))

const names = async () => {
  const db = await openDatabase(folder)
  const all = (await listSets(db)).map(({ name }) => name)
  await db.destroy()
  return all
}
async function filled(...sets: string[]): Promise<string> {
  const db = await openDatabase(folder)
  for (const name of sets) await addSet(db, rowsOfSet({ ...pier, name }))
  const epoch = await epochOf(db)
  await db.destroy()
  return epoch
}

/** Overwrites a stretch in the middle of a file. */
function spoil(file: string): void {
  const handle = openSync(file, 'r+')
  writeSync(handle, Buffer.alloc(512, 0xa5), 0, 512, Math.floor(statSync(file).size / 2))
  closeSync(handle)
}

describe('a shelf that one can trust', () => {
  it('is held by one server at a time', () => {
    holdFolder(folder)
    const { wiseSquareLock } = globalThis as { wiseSquareLock?: Database.Database }
    expect(() => holdFolder(folder)).toThrow(/Another server uses the data folder .*End that one first/)
    wiseSquareLock?.close()
    expect(() => holdFolder(folder)).not.toThrow()
  })

  it('is copied while it is used, and put back with what is there kept aside, in an epoch of its own', async () => {
    const epoch = await filled('Pier')
    const made = await copyDatabase(folder)
    expect('name' in made && (await copiesOf(folder))).toEqual([(made as { name: string }).name])
    await filled('Mole')
    expect(await names()).toEqual(['Pier', 'Mole'])
    const { copy, aside } = restore(folder)
    expect([copy, existsSync(join(aside, DATABASE))]).toEqual([(made as { name: string }).name, true])
    expect(await names()).toEqual(['Pier'])
    const db = await openDatabase(folder)
    expect(await epochOf(db)).not.toBe(epoch)
    await db.destroy()
  })

  it('is never written to once it is damaged, says so with the copies, and comes back from one that can be read', async () => {
    await filled('Pier')
    await copyDatabase(folder)
    const file = join(folder, DATABASE)
    for (const damage of [
      () => spoil(file),
      () => writeFileSync(file, 'x'),
      () => writeFileSync(file, ''),
      () =>
        writeFileSync(
          file,
          'This is no database at all, but a text that is long enough to be one page or more. '.repeat(20),
        ),
    ]) {
      damage()
      const before = readFileSync(file)
      const said = await openDatabase(folder).then(
        () => '',
        (error: Error) => error.message,
      )
      expect(said).toMatch(/is damaged \(.*\); it is left as it is\. Start with --restore .*\d{4}-\d{2}-\d{2}\.db\.$/)
      expect(readFileSync(file).equals(before)).toBe(true)
      restore(folder)
      expect(await names()).toEqual(['Pier'])
    }
    writeFileSync(join(folder, 'copies', '2999-01-01.db'), 'no copy')
    expect(restore(folder).copy).not.toBe('2999-01-01.db')
    expect(() => restore(folder, '1999')).toThrow('There is no copy “1999” that can be read')
  })

  it('is copied before a version of this program changes it', async () => {
    const file = new Database(join(folder, DATABASE))
    const old = new Kysely<unknown>({ dialect: new AtomicDialect({ database: file }) })
    await migrate(old, MIGRATION_NAMES.at(-2))
    await old.destroy()
    await (await openDatabase(folder)).destroy()
    expect(readdirSync(join(folder, 'copies'))).toEqual([
      expect.stringContaining(`before ${MIGRATION_NAMES.at(-1)!}.db`),
    ])
  })

  it('begins over where a server was killed before it wrote anything', async () => {
    writeFileSync(join(folder, DATABASE), '')
    await filled('Pier')
    expect(await names()).toEqual(['Pier'])
  })

  it('shows all other sets where one is damaged, and that one says so', async () => {
    await filled('Pier', 'Mole')
    const raw = new Database(join(folder, DATABASE))
    raw.prepare("update sets set rules = '{cut' where name = 'Pier'").run()
    raw
      .prepare("update icons set masters = '[' where id = 'oar' and set_id = (select id from sets where name = 'Mole')")
      .run()
    raw.close()
    const db = await openDatabase(folder)
    const [one, other] = await listSets(db)
    expect([one!.isDamaged, other!.isDamaged]).toEqual([true, false])
    expect(await readSet(db, one!.id).catch(faultSentence)).toMatch(
      /^The rules of “Pier” are damaged in the database\./,
    )
    expect(await readSet(db, other!.id).catch(faultSentence)).toMatch(/^The icon “oar” is damaged in the database\./)
    await db.destroy()
  })

  it('keeps what was deleted for thirty days, and then nothing of it', async () => {
    const db = await openDatabase(folder)
    const { id } = await addSet(db, rowsOfSet(pier)),
      other = await addSet(db, rowsOfSet({ ...pier, name: 'Mole' }))
    const picture = (one: string, added_at: string) =>
      db
        .insertInto('pictures')
        .values({ id: one, kind: 'image/png', w: 1, h: 1, bytes: Buffer.from('x'), added_at })
        .execute()
    const now = Date.parse('2026-11-29T12:00:00Z')
    await picture('a'.repeat(24), '2026-11-01')
    await picture('b'.repeat(24), '2026-11-01')
    await picture('c'.repeat(24), '2026-11-29T11:00:00Z')
    await db
      .updateTable('icons')
      .set({ masters: JSON.stringify([{ base: 24, objects: [], references: [{ picture: 'a'.repeat(24) }] }]) })
      .where('id', '=', 'buoy')
      .execute()
    await db.updateTable('icons').set({ deleted_at: '2026-10-01' }).where('id', '=', 'oar').execute()
    await db.updateTable('sets').set({ deleted_at: '2026-10-29T12:00:00.000Z' }).where('id', '=', id).execute()
    expect(await purge(db, now)).toMatchObject({ sets: 1, icons: 1, pictures: 1 })
    expect((await listSets(db)).map((one) => one.id)).toEqual([other.id])
    expect((await readSet(db, other.id))!.rows.icons.map((icon) => icon.id)).toEqual(['buoy', 'ferry'])
    await db.updateTable('sets').set({ deleted_at: '2026-10-31' }).execute()
    expect(await purge(db, now)).toEqual({ sets: 0, icons: 0, pictures: 0 })
    await db.destroy()
  })

  it('has one server only, whose place is free again however it ends', () => {
    const held = (then: string) =>
      execFileSync(
        process.execPath,
        [
          '-e',
          `const D=require('better-sqlite3');const d=new D(${JSON.stringify(join(folder, 'server.lock'))});d.pragma('locking_mode = EXCLUSIVE');d.exec('begin exclusive');${then}`,
        ],
        {
          encoding: 'utf8',
        },
      )
    expect(() => held('process.kill(process.pid, "SIGKILL")')).toThrow()
    expect(held('console.log("held")')).toBe('held\n')
  })
})
