import { sql } from 'kysely'
import { customAlphabet } from 'nanoid'
import type { Rules } from '../core/rules/rules'
import { realSize } from '../core/rules/real-size'
import type { Revisions } from '../core/saving/wire'
import { freeName, SetName } from '../core/set/names'
import type { ShelfEntry } from '../core/set/shelf-entry'
import type { Db } from './database/database'
import { done, failed, type Result } from './result'
import { keepPast } from './past'
import { GONE, setRow } from './set-row'
import { type CountedIconRow, inOrder, type SetRows } from './set-rows'

const newId = customAlphabet('0123456789abcdefghijklmnopqrstuvwxyz', 12)

/** A stored set with its id, its revisions and the time of its last change. */
export type StoredSet = {
  readonly id: string
  readonly revision: number
  readonly revisions: Revisions
  readonly changedAt: string
  readonly rows: SetRows<CountedIconRow>
}

const now = () => new Date().toISOString()

/** All sets in the order of the shelf, deleted ones included. Reads no drawing. */
export async function listSets(db: Db): Promise<ShelfEntry[]> {
  const rows = await db
    .selectFrom('sets')
    .select(['id', 'name', 'kind', 'changed_at', 'deleted_at'])
    // Rules that do not parse are said by their set, and keep no other from being shown.
    .select(sql<number | null>`iif(json_valid(rules), json_extract(rules, '$.grid.size'), null)`.as('grid'))
    .select(sql<string | null>`iif(json_valid(rules), json_extract(rules, '$.sizes'), null)`.as('sizes'))
    .select((eb) =>
      eb
        .selectFrom('icons')
        .whereRef('set_id', '=', 'sets.id')
        .where('icons.deleted_at', 'is', null)
        .select(eb.fn.countAll<number>().as('count'))
        .as('icons'),
    )
    .select((eb) =>
      eb
        .selectFrom('icons')
        .innerJoin('drawn', (join) =>
          join
            .onRef('drawn.set_id', '=', 'icons.set_id')
            .onRef('drawn.icon_id', '=', 'icons.id')
            .onRef('drawn.icon_revision', '=', 'icons.revision'),
        )
        .whereRef('icons.set_id', '=', 'sets.id')
        .where('icons.deleted_at', 'is', null)
        .select(({ fn }) => fn.sum<number | null>('drawn.snags').as('snags'))
        .as('snags'),
    )
    .orderBy('position')
    .orderBy('id')
    .execute()
  return rows.map(({ id, name, kind, grid, sizes, icons, snags, changed_at, deleted_at }) => ({
    id,
    name,
    kind,
    grid: grid ?? 0,
    side: grid === null || sizes === null ? 24 : realSize({ sizes: JSON.parse(sizes), grid: { size: grid } }),
    isDamaged: grid === null || sizes === null,
    icons: icons ?? 0,
    snags,
    changedAt: changed_at,
    deleted: deleted_at !== null,
  }))
}

/** One set, null when there is none or it was deleted. */
export async function readSet(db: Db, id: string): Promise<StoredSet | null> {
  const row = await setRow(db, id)
  if (!row) return null
  await readableOrThrow(db, id)
  const icons = await db
    .selectFrom('icons')
    .select(['id', 'name', 'labels', 'masters', 'objects', 'nodes', 'revision'])
    .where('set_id', '=', id)
    .where('deleted_at', 'is', null)
    .execute()
  // A restored icon names its last revision as its base.
  const binned = await db
    .selectFrom('icons')
    .select(['id', 'revision'])
    .where('set_id', '=', id)
    .where('deleted_at', 'is not', null)
    .execute()
  return {
    id,
    revision: row.revision,
    revisions: revisionsOf(row, [...icons, ...binned]),
    changedAt: row.changed_at,
    rows: {
      name: row.name,
      kind: row.kind,
      rules: row.rules,
      delivery: row.delivery,
      icons: inOrder(icons, row.icon_order).map(({ revision: _, objects, nodes, ...icon }) => ({
        ...icon,
        size: { objects: objects ?? 0, nodes: nodes ?? 0 },
      })),
    },
  }
}

/** Throws a sentence if the stored JSON of a set is damaged. */
async function readableOrThrow(db: Db, id: string): Promise<void> {
  const damaged = await db
    .selectFrom('icons')
    .select('name')
    .where('set_id', '=', id)
    .where('deleted_at', 'is', null)
    .where(sql<boolean>`not json_valid(masters)`)
    .executeTakeFirst()
  const rules = await db
    .selectFrom('sets')
    .select('name')
    .where('id', '=', id)
    .where(sql<boolean>`not json_valid(rules)`)
    .executeTakeFirst()
  if (rules) throw new DamagedSet(`The rules of “${rules.name}” are damaged in the database.`)
  if (damaged) throw new DamagedSet(`The icon “${damaged.name}” is damaged in the database.`)
}

/** Thrown if a stored set is damaged; its sentence says how to restore it. */
class DamagedSet extends Error {
  readonly code = 'WISE_SQUARE_DAMAGED'
  constructor(message: string) {
    super(`${message} Nothing is written to it. Start with --restore to go back to the latest copy of the shelf.`)
  }
}

type Revised = {
  readonly name_revision: number
  readonly rules_revision: number
  readonly delivery_revision: number
  readonly order_revision: number
}

/** The revision of each part of a set. */
export const revisionsOf = (
  row: Revised,
  icons: readonly { readonly id: string; readonly revision: number }[],
): Revisions => ({
  name: row.name_revision,
  rules: row.rules_revision,
  delivery: row.delivery_revision,
  order: row.order_revision,
  icons: Object.fromEntries(icons.map(({ id, revision }) => [id, revision])),
})

/** The name of a set, null when there is none or it was deleted. */
export async function nameOfSet(db: Db, id: string): Promise<string | null> {
  return (await setRow(db, id))?.name ?? null
}

/** Stores a set under a new id at the end of the shelf; its name gets a number where it is taken. */
export async function addSet(db: Db, set: SetRows<CountedIconRow>): Promise<{ id: string; name: string }> {
  if (!db.isTransaction) return db.transaction().execute((tx) => addSet(tx, set))
  const taken = await db.selectFrom('sets').select(['name', 'position']).where('deleted_at', 'is', null).execute()
  const id = newId(),
    name = freeName(
      set.name,
      taken.map((one) => one.name),
      ' ',
    )
  await db
    .insertInto('sets')
    .values({
      id,
      name,
      kind: set.kind,
      rules: await withLeader(db, set.rules),
      delivery: set.delivery,
      icon_order: JSON.stringify(set.icons.map((icon) => icon.id)),
      position: Math.max(0, ...taken.map(({ position }) => position)) + 1,
      changed_at: now(),
      deleted_at: null,
    })
    .execute()
  for (const icon of set.icons)
    await db
      .insertInto('icons')
      .values(iconValues(id, icon, 1))
      .execute()
  return { id, name }
}

/** The values of an icon's row in a revision of its set. */
export function iconValues(setId: string, { id, name, labels, masters, size }: CountedIconRow, revision: number) {
  return { set_id: setId, id, name, labels, masters, ...size, revision, changed_at: now(), deleted_at: null }
}

/** A copy of a set, its icons included, at the end of the shelf. */
export async function duplicateSet(db: Db, id: string): Promise<Result<string>> {
  const stored = await readSet(db, id)
  return stored ? done((await addSet(db, stored.rows)).id) : failed('not-found', GONE)
}

export async function renameSet(db: Db, id: string, name: string): Promise<Result<string>> {
  const parsed = SetName.safeParse(name)
  if (!parsed.success) return failed('invalid', parsed.error.issues[0]!.message)
  return db.transaction().execute(async (tx) => {
    const row = await setRow(tx, id)
    if (!row) return failed('not-found', GONE)
    const at = now(),
      revision = row.revision + 1
    await keepPast(tx, row, { parts: ['name'], icons: [] }, at)
    await tx
      .updateTable('sets')
      .set({ name: parsed.data, revision, name_revision: revision, changed_at: at })
      .where('id', '=', id)
      .execute()
    return done(parsed.data)
  })
}

/** Takes a set off the shelf; it can be put back. */
export const deleteSet = (db: Db, id: string): Promise<Result<null>> => setDeleted(db, id, now())

export const restoreSet = (db: Db, id: string): Promise<Result<null>> => setDeleted(db, id, null)

async function setDeleted(db: Db, id: string, at: string | null): Promise<Result<null>> {
  const { numUpdatedRows } = await db
    .updateTable('sets')
    .set({ deleted_at: at })
    .where('id', '=', id)
    .executeTakeFirst()
  return numUpdatedRows > 0n ? done(null) : failed('not-found', GONE)
}

/** The sets on the shelf that others may follow, in its order. */
export const leaders = (db: Db): Promise<{ id: string; name: string }[]> =>
  db.selectFrom('sets').select(['id', 'name']).where('deleted_at', 'is', null).orderBy('position').execute()

/**
 * A set on the shelf with its rules as JSON: by its id, or the first of a name where there is no such id; null where there
 * is neither.
 */
export async function ledRules(
  db: Db,
  id: string | null,
  name: string | null,
): Promise<{ id: string; name: string; rules: string } | null> {
  const sets = db.selectFrom('sets').select(['id', 'name', 'rules']).where('deleted_at', 'is', null)
  const byId = id === null ? null : await sets.where('id', '=', id).executeTakeFirst()
  const byName =
    byId || name === null ? null : await sets.where('name', '=', name).orderBy('position').executeTakeFirst()
  return byId ?? byName ?? null
}

/** Rules as JSON with the id of the set that they follow by name, where that is on the shelf. */
async function withLeader(db: Db, rules: string): Promise<string> {
  if (!rules.includes('"follows":')) return rules
  const read = JSON.parse(rules) as Pick<Rules, 'follows'>
  if (!read.follows) return rules
  const leader = await ledRules(db, read.follows.id ?? null, read.follows.set)
  const { id: _, ...follows } = read.follows
  return JSON.stringify({ ...read, follows: leader ? { ...follows, id: leader.id } : follows })
}
