import { execFileSync } from 'node:child_process'
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  openSync,
  readdirSync,
  readFileSync,
  rmdirSync,
  rmSync,
  writeFileSync,
  writeSync,
  closeSync,
  statSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Kysely } from 'kysely'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { pier } from '../../testing/samples'
import { copyDatabase } from './copies'
import { openDatabase } from './database'
import { AtomicDialect } from './dialect'
import { epochOf } from './epoch'
import { faultSentence } from '../fault-sentence'
import { holdFolder } from './lock'
import { migrate, MIGRATION_NAMES } from './migrations'
import { copiesOf, DATABASE } from './places'
import { purge } from './purge'
import { restore } from './restore'
import { SqliteFile } from './sqlite'
import { rowsOfSet } from '../set-rows'
import { addSet, listSets, readSet } from '../sets'

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

/** A shelf as the version before this one left it. */
async function earlierVersion(): Promise<void> {
  const old = new Kysely<unknown>({ dialect: new AtomicDialect(new SqliteFile(join(folder, DATABASE))) })
  await migrate(old, MIGRATION_NAMES.at(-2))
  await old.destroy()
}

/** Overwrites a stretch in the middle of a file. */
function spoil(file: string): void {
  const handle = openSync(file, 'r+')
  writeSync(handle, Buffer.alloc(512, 0xa5), 0, 512, Math.floor(statSync(file).size / 2))
  closeSync(handle)
}

describe('a shelf that one can trust', () => {
  it('is held by one server at a time', () => {
    const lock = holdFolder(folder)
    expect(() => holdFolder(folder)).toThrow(/Another server uses the data folder .*End that one first/)
    // Whoever restores would pull the database from under it.
    expect(() => restore(folder)).toThrow(/Another server uses the data folder/)
    lock.close()
    expect(() => holdFolder(folder).close()).not.toThrow()
  })

  it('is copied while it is used, and put back with what is there kept aside, in an epoch of its own', async () => {
    const epoch = await filled('Pier')
    const made = await copyDatabase(folder)
    expect('name' in made && copiesOf(folder)).toEqual([(made as { name: string }).name])
    await filled('Mole')
    expect(await names()).toEqual(['Pier', 'Mole'])
    const { from, aside } = restore(folder)
    expect([from, existsSync(join(aside!, DATABASE))]).toEqual([(made as { name: string }).name, true])
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
      expect(said).toMatch(
        /is damaged \(.*\); it is left as it is\. Start with --restore .*\d{4}-\d{2}-\d{2}\.db(?:, aside [\dT -]+)*\.$/,
      )
      expect(readFileSync(file).equals(before)).toBe(true)
      restore(folder)
      expect(await names()).toEqual(['Pier'])
    }
    // Files that are not shelves are skipped, even sound databases.
    const copy = (name: string) => join(folder, 'copies', name)
    writeFileSync(copy('2999-01-04.db'), 'no copy')
    writeFileSync(copy('2999-01-03.db'), '')
    writeFileSync(copy('2999-01-02.db'), 'x')
    const empty = new SqliteFile(copy('2999-01-01.db'))
    empty.exec('create table notes (text)')
    empty.close()
    for (const name of ['2999-01-04', '2999-01-03', '2999-01-02', '2999-01-01'])
      expect(() => restore(folder, name)).toThrow(`There is no copy “${name}” that can be read`)
    expect(restore(folder).from).toMatch(/^\d{4}-\d{2}-\d{2}\.db$/)
    expect(await names()).toEqual(['Pier'])
    expect(() => restore(folder, '1999')).toThrow('There is no copy “1999” that can be read')
  })

  it('goes back to what an earlier restore put aside, with its journal', async () => {
    await filled('Pier')
    await copyDatabase(folder)
    const db = await openDatabase(folder)
    await addSet(db, rowsOfSet({ ...pier, name: 'Mole' }))
    // The server is killed here: the last set is in the journal only.
    const { aside } = restore(folder)
    await db.destroy()
    expect(await names()).toEqual(['Pier'])
    const name = aside!.split('/').at(-1)!
    expect(restore(folder, name).from).toBe(name)
    expect(await names()).toEqual(['Pier', 'Mole'])
  })

  it('that is missing is asked about where copies of it are kept, and begins anew only when told', async () => {
    await filled('Pier')
    await copyDatabase(folder)
    for (const end of ['', '-wal', '-shm']) rmSync(join(folder, DATABASE + end), { force: true })
    await expect(openDatabase(folder)).rejects.toThrow(
      /^There is no database in .*, but there was one: \d{4}-\d{2}-\d{2}\.db\. Start with --restore .* --fresh/,
    )
    expect(existsSync(join(folder, DATABASE))).toBe(false)
    const db = await openDatabase(folder, { fresh: true })
    expect(await listSets(db)).toEqual([])
    await db.destroy()
    expect(restore(folder).from).toMatch(/\.db$/)
    expect(await names()).toEqual(['Pier'])
  })

  it('is not changed by a new version where no copy of it can be made, unless told', async () => {
    await earlierVersion()
    writeFileSync(join(folder, 'copies'), 'in the way')
    const before = readFileSync(join(folder, DATABASE))
    await expect(openDatabase(folder)).rejects.toThrow(
      /is of an earlier version; it is left as it is\. The shelf could not be copied: .*copies.* Start with --without-copy/,
    )
    expect(readFileSync(join(folder, DATABASE)).subarray(100).equals(before.subarray(100))).toBe(true)
    await (await openDatabase(folder, { withoutCopy: true })).destroy()
    await (await openDatabase(folder)).destroy()
  })

  it('says which path is in the way, and why', () => {
    const said = (path: string) => {
      try {
        holdFolder(path).close()
        return ''
      } catch (error) {
        return (error as Error).message
      }
    }
    expect(said('/proc/1/x/y')).toMatch(/^The data folder \/proc\/1\/x\/y cannot be used: ENOENT.*'\/proc\/1\/x'$/)
    writeFileSync(join(folder, 'file'), '')
    expect(said(join(folder, 'file', 'x'))).toContain(`${join(folder, 'file')} is no folder.`)
    mkdirSync(join(folder, 'server.lock'))
    expect(said(folder)).toContain(`${join(folder, 'server.lock')} is a folder.`)
    rmdirSync(join(folder, 'server.lock'))
    writeFileSync(join(folder, 'server.lock'), 'no lock '.repeat(100))
    expect(said(folder)).toContain('is not the lock of a server. Move it away.')
  })

  it('is copied before a version of this program changes it', async () => {
    await earlierVersion()
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
    const raw = new SqliteFile(join(folder, DATABASE))
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
          `const D=require('libsql');const d=new D(${JSON.stringify(join(folder, 'server.lock'))});d.pragma('locking_mode = EXCLUSIVE');d.exec('begin exclusive');${then}`,
        ],
        {
          encoding: 'utf8',
        },
      )
    expect(() => held('process.kill(process.pid, "SIGKILL")')).toThrow()
    expect(held('console.log("held")')).toBe('held\n')
  })
})
