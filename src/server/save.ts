import { type Revisions, staleParts } from '../core/saving/wire'
import { unitedCodes, withCodes } from '../core/set/code-points'
import type { Delivery } from '../core/set/settings'
import type { Db } from './database/database'
import { epochOf } from './database/epoch'
import { done, failed, type RequestRefusal, type Result } from './result'
import { keepPast } from './past'
import type { CheckedWrites, Lacking, StoredForCheck } from './renderer/checked-save'
import type { Renderer } from './renderer/renderer'
import { isTaskEnded } from './renderer/task-ended'
import { GONE, setRow } from './set-row'
import { iconValues, readSet, revisionsOf } from './sets'
import { type CountedIconRow, iconJson, inOrder, setJson } from './set-rows'

/**
 * Saves changes (a request in JSON) in one transaction; returns the new revision of the set. Idempotent: a repeated
 * save gets the same answer. Stale if a written part changed since its base revision.
 */
export async function saveSet(db: Db, renderer: Renderer, id: string, request: Uint8Array): Promise<Result<number>> {
  // Checked against the stored state, and again if that changes before the write.
  let lacking: Lacking | null = null
  for (let tries = 0; tries < 8; tries++) {
    const stored = await storedFor(db, id, lacking)
    if (!stored) return failed('not-found', GONE)
    const checked = await renderer.run('checkSave', { request, stored: stored.check }).catch((error: unknown) => {
      // The same request would time out again.
      if (isTaskEnded(error)) return { ok: false, failure: TOO_MUCH, save: undefined } as const
      throw error
    })
    if (!checked.ok) return (await answeredBefore(db, id, checked.save)) ?? checked
    if ('lacking' in checked.value) {
      lacking = checked.value.lacking
      continue
    }
    const { value } = checked
    const saved = await db.transaction().execute((tx) => write(tx, id, value, stored.revision))
    if (saved) return saved
  }
  return failed('unavailable', 'The set is being changed by many at once; the change is sent again.')
}

const TOO_MUCH: RequestRefusal = {
  code: 'too-large',
  message: 'This change is too much to be checked at once. Undo a part of it, and do it in smaller steps.',
}

/** The answer to a save that was done before. */
async function answeredBefore(db: Db, id: string, save: string | undefined): Promise<Result<number> | null> {
  if (save === undefined) return null
  const row = await db
    .selectFrom('saves')
    .select('revision')
    .where('set_id', '=', id)
    .where('id', '=', save)
    .executeTakeFirst()
  return row ? done(row.revision) : null
}

/** What a save is checked against, and in which revision it is so; null when the set is not there. */
async function storedFor(
  db: Db,
  id: string,
  lacking: Lacking | null,
): Promise<{ revision: number; check: StoredForCheck } | null> {
  const row = await setRow(db, id)
  if (!row) return null
  const known = await db
    .selectFrom('icons')
    .select(['id', 'name', 'objects', 'nodes'])
    .where('set_id', '=', id)
    .execute()
  const icons =
    lacking === 'all'
      ? ((await readSet(db, id))?.rows.icons ?? [])
      : lacking
        ? await db
            .selectFrom('icons')
            .select(['id', 'name', 'labels', 'masters'])
            .where('set_id', '=', id)
            .where('id', 'in', lacking)
            .execute()
        : []
  return {
    revision: row.revision,
    check: { rules: row.rules, order: JSON.parse(row.icon_order ?? '[]') as string[], known, lacking, icons },
  }
}

/** Writes a checked save; null if the set changed since the check. */
async function write(tx: Db, id: string, save: CheckedWrites, checkedIn: number): Promise<Result<number> | null> {
  const row = await setRow(tx, id)
  if (!row) return failed('not-found', GONE)
  const before = await answeredBefore(tx, id, save.id)
  if (before) return before
  const { name, rules, delivery, icons, order } = save
  const known = await tx.selectFrom('icons').select(['id', 'revision', 'deleted_at']).where('set_id', '=', id).execute()
  const binned = new Set(known.flatMap((icon) => (icon.deleted_at === null ? [] : icon.id)))
  const revisions: Revisions = revisionsOf(row, known)
  if (save.epoch !== (await epochOf(tx)) || staleParts(save.bases, revisions, (one) => binned.has(one)).length > 0)
    return failed('conflict', 'The set was changed in another window.')
  if (row.revision !== checkedIn) return null

  const revision = row.revision + 1,
    at = new Date().toISOString()
  const taken = order?.filter((one) => binned.has(one)) ?? []
  await keepPast(tx, row, { parts: partsOf(save), icons: [...icons.map((icon) => icon.id), ...taken] }, at)
  for (const icon of icons) await writeIcon(tx, id, icon, revision)
  if (order) await bin(tx, id, order, binned, revision, at)
  await tx
    .updateTable('sets')
    .set({
      ...(name !== undefined && { name, name_revision: revision }),
      ...(rules !== undefined && { rules, rules_revision: revision }),
      ...(delivery !== undefined && { delivery: withStoredCodes(delivery, row.delivery), delivery_revision: revision }),
      ...(order && { icon_order: JSON.stringify(order), order_revision: revision }),
      revision,
      changed_at: at,
    })
    .where('id', '=', id)
    .execute()
  await tx.insertInto('saves').values({ set_id: id, id: save.id, revision, at }).execute()
  return done(revision)
}

/** A delivery as JSON with all code points that are stored: those of released glyphs are never taken back. */
function withStoredCodes(delivery: string, stored: string | null): string {
  if (!stored?.includes('"codes":')) return delivery
  const next = JSON.parse(delivery) as Delivery,
    before = JSON.parse(stored) as Delivery
  return JSON.stringify(withCodes(next, unitedCodes(before.codes, next.codes)))
}

/** The parts beside its icons that a save writes over. */
const partsOf = (save: CheckedWrites) =>
  (['name', 'rules', 'delivery', 'order'] as const).filter((part) => save[part] !== undefined)

async function writeIcon(tx: Db, setId: string, icon: CountedIconRow, revision: number): Promise<void> {
  const values = iconValues(setId, icon, revision)
  await tx
    .insertInto('icons')
    .values(values)
    .onConflict((on) => on.columns(['set_id', 'id']).doUpdateSet(values))
    .execute()
}

/** Deletes icons that the order does not name, and restores deleted ones that it names. */
async function bin(
  tx: Db,
  setId: string,
  order: readonly string[],
  binned: ReadonlySet<string>,
  revision: number,
  at: string,
): Promise<void> {
  const named = new Set(order)
  const rows = await tx
    .selectFrom('icons')
    .select('id')
    .where('set_id', '=', setId)
    .where('deleted_at', 'is', null)
    .execute()
  const change = (id: string, values: { deleted_at: string | null; revision?: number }) =>
    tx.updateTable('icons').set(values).where('set_id', '=', setId).where('id', '=', id).execute()
  for (const { id } of rows) if (!named.has(id)) await change(id, { deleted_at: at })
  // Whoever let go of it has to read it again.
  for (const id of binned) if (named.has(id)) await change(id, { deleted_at: null, revision })
}

/** The icons that were deleted from a set, latest first, as JSON. */
export async function deletedIcons(db: Db, id: string): Promise<string> {
  const icons = await db
    .selectFrom('icons')
    .select(['id', 'name', 'labels', 'masters'])
    .where('set_id', '=', id)
    .where('deleted_at', 'is not', null)
    .orderBy('deleted_at', 'desc')
    .execute()
  return setJson({ name: '', kind: '', rules: 'null', delivery: null, icons })
}

/**
 * Changes of a set since a revision, as JSON: the new values of changed parts, and their revisions. All parts if the
 * epoch differs. Null if there is no such set.
 */
export async function changesSince(db: Db, id: string, since: number, epoch: string): Promise<string | null> {
  return db.transaction().execute(async (tx) => {
    const row = await setRow(tx, id)
    if (!row) return null
    const own = await epochOf(tx),
      from = epoch === own ? since : 0
    const changed = await tx
      .selectFrom('icons')
      .select(['id', 'name', 'labels', 'masters', 'revision', 'deleted_at'])
      .where('set_id', '=', id)
      .where('revision', '>', from)
      .execute()
    const { icons: _, ...parts } = revisionsOf(row, [])
    const revisions = {
      ...Object.fromEntries(Object.entries(parts).filter(([, at]) => at > from)),
      icons: Object.fromEntries(changed.map((icon) => [icon.id, icon.revision])),
    }
    const written = [
      ...(parts.name > from ? [`"name":${JSON.stringify(row.name)}`] : []),
      ...(parts.rules > from ? [`"rules":${row.rules}`] : []),
      ...(parts.delivery > from ? [`"delivery":${row.delivery ?? '{}'}`] : []),
      ...(parts.order > from ? [`"order":${row.icon_order ?? '[]'}`] : []),
      `"icons":[${inOrder(changed, row.icon_order)
        .filter(({ deleted_at }) => deleted_at === null)
        .map(iconJson)
        .join()}]`,
    ]
    return `{"epoch":"${own}","revision":${row.revision},"revisions":${JSON.stringify(revisions)},"writes":{${written.join()}}}`
  })
}
