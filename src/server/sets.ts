import { customAlphabet } from 'nanoid'
import { type Icon, type IconSet, setProblems } from '../core/set/set'
import { freeName, SetName } from '../core/set/names'
import type { SetKind } from '../core/rules/starters'
import type { Db } from './database'
import { done, failed, type Result } from './failure'

const newId = customAlphabet('0123456789abcdefghijklmnopqrstuvwxyz', 12)

/** A set as it is stored: with its id, its revision and the time of its last change. */
export type StoredSet = { readonly id: string; readonly revision: number; readonly writer: string | null; readonly changedAt: string; readonly set: IconSet }

/** A set on the shelf or among the deleted ones. */
export type ShelfEntry = StoredSet & { readonly deleted: boolean }

const now = () => new Date().toISOString()
const GONE = 'This set is no longer there.'

/** All sets in the order of the shelf, deleted ones included. */
export async function listSets(db: Db): Promise<ShelfEntry[]> {
  const rows = await db.selectFrom('sets').select(['id', 'deleted_at']).orderBy('position').orderBy('id').execute()
  const entries: ShelfEntry[] = []
  for (const { id, deleted_at } of rows) {
    const stored = await readSet(db, id, true)
    if (stored) entries.push({ ...stored, deleted: deleted_at !== null })
  }
  return entries
}

/** One set, null when there is none or it was deleted. */
export async function readSet(db: Db, id: string, evenDeleted = false): Promise<StoredSet | null> {
  const row = await db.selectFrom('sets').selectAll().where('id', '=', id).executeTakeFirst()
  if (!row || (row.deleted_at !== null && !evenDeleted)) return null
  const icons = await db
    .selectFrom('icons')
    .select(['id', 'name', 'masters'])
    .where('set_id', '=', id)
    .where('deleted_at', 'is', null)
    .orderBy('position')
    .execute()
  const set: IconSet = {
    name: row.name,
    kind: row.kind as SetKind,
    rules: JSON.parse(row.rules),
    icons: icons.map((icon) => ({ id: icon.id, name: icon.name, masters: JSON.parse(icon.masters) })),
  }
  return { id, revision: row.revision, writer: row.writer, changedAt: row.changed_at, set }
}

/** Stores a set under a new id at the end of the shelf; its name gets a number where it is taken. */
export async function addSet(db: Db, set: IconSet): Promise<Result<string>> {
  const [problem] = setProblems(set)
  if (problem) return failed('invalid', problem)
  return db.transaction().execute(async (tx) => {
    const taken = await tx.selectFrom('sets').select(['name', 'position']).where('deleted_at', 'is', null).execute()
    const id = newId()
    await tx
      .insertInto('sets')
      .values({
        id,
        name: freeName(set.name, taken.map(({ name }) => name), ' '),
        kind: set.kind,
        rules: JSON.stringify(set.rules),
        position: Math.max(0, ...taken.map(({ position }) => position)) + 1,
        changed_at: now(),
        deleted_at: null,
      })
      .execute()
    for (const [position, icon] of set.icons.entries()) await tx.insertInto('icons').values(iconRow(id, icon, position)).execute()
    return done(id)
  })
}

export function iconRow(setId: string, { id, name, masters }: Icon, position: number) {
  return { set_id: setId, id, name, masters: JSON.stringify(masters), position, changed_at: now(), deleted_at: null }
}

/** A copy of a set, its icons included, at the end of the shelf. */
export async function duplicateSet(db: Db, id: string): Promise<Result<string>> {
  const stored = await readSet(db, id)
  return stored ? addSet(db, stored.set) : failed('not-found', GONE)
}

export async function renameSet(db: Db, id: string, name: string): Promise<Result<string>> {
  const parsed = SetName.safeParse(name)
  if (!parsed.success) return failed('invalid', parsed.error.issues[0]!.message)
  const { numUpdatedRows } = await db
    .updateTable('sets')
    .set((eb) => ({ name: parsed.data, revision: eb('revision', '+', 1), changed_at: now() }))
    .where('id', '=', id)
    .where('deleted_at', 'is', null)
    .executeTakeFirst()
  return numUpdatedRows > 0n ? done(parsed.data) : failed('not-found', GONE)
}

/** Takes a set off the shelf; it can be put back. */
export const deleteSet = (db: Db, id: string): Promise<Result<null>> => setDeleted(db, id, now())

export const restoreSet = (db: Db, id: string): Promise<Result<null>> => setDeleted(db, id, null)

async function setDeleted(db: Db, id: string, at: string | null): Promise<Result<null>> {
  const { numUpdatedRows } = await db.updateTable('sets').set({ deleted_at: at }).where('id', '=', id).executeTakeFirst()
  return numUpdatedRows > 0n ? done(null) : failed('not-found', GONE)
}
