import { existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Kysely, sql } from 'kysely'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { AtomicDialect } from './dialect'
import { SqliteFile } from './sqlite'

let folder: string
beforeEach(() => void (folder = mkdtempSync(join(tmpdir(), 'wise-square-sqlite-'))))
afterEach(() => rmSync(folder, { recursive: true }))

describe('a connection to SQLite', () => {
  it('gives back what it was given, texts, numbers and bytes alike, and refuses what the package would spoil', () => {
    const file = new SqliteFile(':memory:')
    file.exec('create table things (value)')
    const bytes = Buffer.from([0, 255, 10])
    for (const value of ['quay', 'Fähre 港', '', 1.5, 2 ** 40, -0.25, 12n, null, bytes, bytes.subarray(1, 2)])
      file.prepare('insert into things values (?)').run([value])
    const back = file.all<{ value: unknown }>('select value from things order by rowid').map(({ value }) => value)
    const same = ['quay', 'Fähre 港', '', 1.5, 2 ** 40, -0.25, 12, null, bytes, Buffer.from([255])]
    expect(back).toEqual(same)
    expect([...file.prepare('select value from things order by rowid').iterate()].map(({ value }) => value)).toEqual(
      same,
    )
    // A text would be read without what follows NUL; a boolean would end the process.
    const insert = file.prepare('insert into things values (?)')
    expect(() => insert.run(['a\0b'])).toThrow('NUL cannot be stored')
    expect(() => insert.run([true])).toThrow('A value of type boolean cannot be stored.')
    expect(() => insert.run([{}])).toThrow('A value of type object cannot be stored.')
    expect(file.all('select 1 from things')).toHaveLength(same.length)
    file.close()
  })

  it('opens to read only, makes no file that is to be there, and takes names as they are', () => {
    const path = join(folder, 'a?b#c%20 ’ä.db')
    const made = new SqliteFile(path)
    made.exec('create table things (value)')
    made.close()
    expect(readdirSync(folder)).toEqual(['a?b#c%20 ’ä.db'])
    const reading = new SqliteFile(path, 'read')
    expect(() => reading.exec('insert into things values (1)')).toThrow(
      expect.objectContaining({ code: 'SQLITE_READONLY' }) as Error,
    )
    expect(reading.all('select * from things')).toEqual([])
    reading.close()
    for (const mode of ['read', 'write'] as const)
      expect(() => new SqliteFile(join(folder, 'none.db'), mode)).toThrow(/none\.db cannot be opened/)
    expect(existsSync(join(folder, 'none.db'))).toBe(false)
    expect(() => new SqliteFile(folder)).toThrow(`${folder} is a folder.`)
  })

  it('brings its journal in and lets go of an open transaction when it is closed', () => {
    const path = join(folder, 'quay.db')
    const file = new SqliteFile(path)
    expect(file.pragma('journal_mode = WAL')).toBe('wal')
    file.exec('create table things (value)')
    file.exec("insert into things values ('kept')")
    file.exec('begin immediate')
    file.exec("insert into things values ('given up')")
    expect(file.inTransaction).toBe(true)
    file.close()
    const again = new SqliteFile(path)
    again.exec('begin immediate')
    expect(again.all('select value from things')).toEqual([{ value: 'kept' }])
    again.close()
  })

  it('counts the rows that a statement itself changed, as Kysely reports them', async () => {
    const file = new SqliteFile(':memory:')
    const db = new Kysely<{ sets: { id: number }; icons: { of: number } }>({ dialect: new AtomicDialect(file) })
    file.exec('pragma foreign_keys = on; create table sets (id primary key)')
    file.exec('create table icons (of references sets (id) on delete cascade)')
    await db
      .insertInto('sets')
      .values([{ id: 1 }, { id: 2 }])
      .execute()
    await db
      .insertInto('icons')
      .values([{ of: 1 }, { of: 1 }, { of: 2 }])
      .execute()
    expect((await db.deleteFrom('sets').where('id', '=', 1).executeTakeFirst()).numDeletedRows).toBe(1n)
    expect((await db.updateTable('icons').set({ of: 2 }).where('of', '=', 9).executeTakeFirst()).numUpdatedRows).toBe(
      0n,
    )
    expect(await db.deleteFrom('icons').returning('of').execute()).toEqual([{ of: 2 }])
    // Tables are changed within a transaction as well.
    const failed = db.transaction().execute(async (tx) => {
      await sql`create table notes (text)`.execute(tx)
      throw new Error('given up')
    })
    await expect(failed).rejects.toThrow('given up')
    expect(file.all("select 1 from sqlite_master where name = 'notes'")).toEqual([])
    await db.destroy()
  })
})
