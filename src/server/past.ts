import { sql } from 'kysely'
import { z } from 'zod'
import { iconPart } from '../core/set/merge-icon'
import type { Db } from './database/database'
import { DAY_MS, PAST_DAYS } from './retention'
import { done, failed, type Result } from './result'
import { GONE, type SetRow, setRow } from './set-row'
import { iconJson, inOrder, writtenSet } from './set-rows'

/** A state of a set that can be looked at again: its last of a day, or one that was given a name. */
export type PastState = {
  readonly revision: number
  readonly at: string
  readonly name: string | null
  /** How many of the icons that are there now were changed since. */
  readonly changed: number
}

/** The parts of a set beside its icons. */
type SetPart = 'name' | 'rules' | 'delivery' | 'order'

const jsonOf = (row: SetRow, part: SetPart): string =>
  ({
    name: JSON.stringify(row.name),
    rules: row.rules,
    delivery: row.delivery ?? 'null',
    order: row.icon_order ?? '[]',
  })[part]

const dayOf = (at: string): string => new Date(at).toDateString()

/**
 * Called before a save with the parts it overwrites. On the first save of a day it keeps the last state of the day
 * before. Overwritten parts that belong to a kept state are copied to the past.
 */
export async function keepPast(
  tx: Db,
  row: SetRow,
  written: { readonly parts: readonly SetPart[]; readonly icons: readonly string[] },
  now: string,
): Promise<void> {
  if (dayOf(row.changed_at) !== dayOf(now))
    await tx
      .insertInto('states')
      .values({ set_id: row.id, revision: row.revision, at: row.changed_at, kept_at: now, name: null })
      .onConflict((on) => on.doNothing())
      .execute()
  const latest = await tx
    .selectFrom('states')
    .select((eb) => eb.fn.max('revision').as('revision'))
    .where('set_id', '=', row.id)
    .executeTakeFirst()
  if (latest?.revision == null) return
  const until = row.revision + 1
  const parts = written.parts.flatMap((part) => {
    const revision = row[`${part}_revision`]
    return revision <= latest.revision ? [{ part: part as string, revision, value: jsonOf(row, part) }] : []
  })
  const icons = await tx
    .selectFrom('icons')
    .select(['id', 'name', 'labels', 'masters', 'revision'])
    .where('set_id', '=', row.id)
    .where('id', 'in', written.icons)
    .where('revision', '<=', latest.revision)
    .execute()
  const rows = [
    ...parts,
    ...icons.map((icon) => ({ part: iconPart(icon.id), revision: icon.revision, value: iconJson(icon) })),
  ]
  for (const one of rows)
    await tx
      .insertInto('past')
      .values({ set_id: row.id, until, ...one })
      .onConflict((on) => on.doNothing())
      .execute()
}

/** The states of a set that are kept, latest first; null when the set is not there. */
export async function pastStates(db: Db, id: string): Promise<PastState[] | null> {
  const set = await setRow(db, id)
  if (!set) return null
  return db
    .selectFrom('states')
    .select(['revision', 'at', 'name'])
    .select((eb) =>
      eb
        .selectFrom('icons')
        .select((count) => count.fn.countAll<number>().as('count'))
        .where('icons.set_id', '=', id)
        .where('icons.deleted_at', 'is', null)
        .whereRef('icons.revision', '>', 'states.revision')
        .as('changed'),
    )
    .where('set_id', '=', id)
    .orderBy('revision', 'desc')
    .execute()
    .then((rows) => rows.map((row) => ({ ...row, changed: row.changed ?? 0 })))
}

/** A kept state of a set, as JSON; null if there is none. */
export function pastSet(db: Db, id: string, revision: number): Promise<string | null> {
  return db.transaction().execute(async (tx) => {
    const set = await setRow(tx, id)
    const state = await tx
      .selectFrom('states')
      .select('revision')
      .where('set_id', '=', id)
      .where('revision', '=', revision)
      .executeTakeFirst()
    if (!set || !state) return null
    const past = await tx
      .selectFrom('past')
      .select(['part', 'value'])
      .where('set_id', '=', id)
      .where('revision', '<=', revision)
      .where('until', '>', revision)
      .execute()
    const kept = new Map(past.map(({ part, value }) => [part, value]))
    const valueOf = (part: SetPart): string => kept.get(part) ?? jsonOf(set, part)
    const still = await tx
      .selectFrom('icons')
      .select(['id', 'name', 'labels', 'masters'])
      .where('set_id', '=', id)
      .where('revision', '<=', revision)
      .execute()
    const order = valueOf('order')
    const icons = new Map(still.map((icon) => [icon.id, iconJson(icon)]))
    for (const [part, value] of kept)
      if (part.startsWith(iconPart(''))) icons.set(part.slice(iconPart('').length), value)
    const named = new Set(JSON.parse(order) as string[])
    const there = inOrder(
      [...icons].flatMap(([icon, json]) => (named.has(icon) ? [{ id: icon, json }] : [])),
      order,
    )
    const delivery = valueOf('delivery')
    return writtenSet(
      {
        name: JSON.parse(valueOf('name')) as string,
        kind: set.kind,
        rules: valueOf('rules'),
        delivery: delivery === 'null' ? null : delivery,
      },
      there.map(({ json }) => json),
    )
  })
}

/** What a state is called; null takes the name away again. */
const StateName = z
  .string()
  .trim()
  .min(1, 'Give the state a name.')
  .max(80, 'The name of a state has at most 80 letters.')
  .nullable()

/** Names a state, by default the current one; returns its revision. A named state is kept for good. */
export async function nameState(
  db: Db,
  id: string,
  revision: number | null,
  name: string | null,
): Promise<Result<number>> {
  const parsed = StateName.safeParse(name)
  if (!parsed.success) return failed('invalid', parsed.error.issues[0]!.message)
  return db.transaction().execute(async (tx) => {
    const set = await setRow(tx, id)
    if (!set) return failed('not-found', GONE)
    if (revision !== null) {
      const { numUpdatedRows } = await tx
        .updateTable('states')
        // A state without a name is kept for some days more, however long it had one.
        .set({ name: parsed.data, kept_at: new Date().toISOString() })
        .where('set_id', '=', id)
        .where('revision', '=', revision)
        .executeTakeFirst()
      return numUpdatedRows > 0n ? done(revision) : failed('not-found', 'This state is no longer kept.')
    }
    const now = new Date().toISOString()
    const values = { set_id: id, revision: set.revision, at: now, kept_at: now, name: parsed.data }
    await tx
      .insertInto('states')
      .values(values)
      .onConflict((on) => on.columns(['set_id', 'revision']).doUpdateSet(values))
      .execute()
    return done(set.revision)
  })
}

/** Lets go of days that are long past, of what belongs to no state any more, and keeps of icons about to go what does. */
export async function purgePast(db: Db, now: number, binnedBefore: string): Promise<void> {
  await db
    .deleteFrom('states')
    .where('name', 'is', null)
    .where('kept_at', '<', new Date(now - PAST_DAYS * DAY_MS).toISOString())
    .execute()
  const going = await db
    .selectFrom('icons')
    .innerJoin('sets', 'sets.id', 'icons.set_id')
    .select(['icons.set_id', 'icons.id', 'icons.name', 'icons.labels', 'icons.masters', 'icons.revision'])
    .select('sets.revision as until')
    .where('icons.deleted_at', '<', binnedBefore)
    .execute()
  for (const { set_id, until, revision, ...icon } of going)
    await db
      .insertInto('past')
      .values({ set_id, part: iconPart(icon.id), revision, until, value: iconJson(icon) })
      .onConflict((on) => on.doNothing())
      .execute()
  await db
    .deleteFrom('past')
    .where(({ not, exists, selectFrom }) =>
      not(
        exists(
          selectFrom('states')
            .select('states.revision')
            .whereRef('states.set_id', '=', 'past.set_id')
            .where(sql<boolean>`states.revision >= past.revision and states.revision < past.until`),
        ),
      ),
    )
    .execute()
}
