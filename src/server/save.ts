import type { Db } from './database'
import { done, failed, type Result } from './failure'
import type { CheckedWrites, StoredForCheck } from './renderer/checked-save'
import type { Renderer } from './renderer/renderer'
import { GONE, iconValues, readSet } from './sets'
import { setJson } from './set-rows'

/**
 * Saves changes (a request in JSON) made on top of a revision, all or nothing, and gives the new revision. A session
 * whose last answer was lost on the way does not know of its own last revision: what it sends then goes on top of that.
 */
export async function saveSet(db: Db, renderer: Renderer, id: string, request: Uint8Array): Promise<Result<number>> {
  // Checked against what is stored now; when that changes before it is written, so does the revision, and it is checked
  // again.
  for (let tries = 0; tries < 4; tries++) {
    const stored = await storedFor(db, id, request)
    if (!stored) return failed('not-found', GONE)
    const checked = await renderer.run('checkSave', { request, stored: stored.check })
    if (!checked.ok) return checked
    const saved = await db.transaction().execute((tx) => write(tx, id, checked.value, stored.revision))
    if (saved) return saved
  }
  return failed('unavailable', 'The set is being changed by many at once; the change is sent again.')
}

/** What a save is checked against, and in which revision it is so; null when the set is not there. */
async function storedFor(
  db: Db,
  id: string,
  request: Uint8Array,
): Promise<{ revision: number; check: StoredForCheck } | null> {
  const row = await db
    .selectFrom('sets')
    .select(['revision', 'rules'])
    .where('id', '=', id)
    .where('deleted_at', 'is', null)
    .executeTakeFirst()
  if (!row) return null
  const names = await db
    .selectFrom('icons')
    .select(['id', 'name'])
    .where('set_id', '=', id)
    .where('deleted_at', 'is', null)
    .execute()
  // Only rules and order concern icons that are not in the request. A key named so elsewhere costs a little time,
  // nothing else.
  const concernsAll = mentions(request, '"rules":') || mentions(request, '"order":')
  const whole = concernsAll ? await readSet(db, id) : null
  return { revision: row.revision, check: { rules: row.rules, names, whole: whole?.rows ?? null } }
}

const mentions = (request: Uint8Array, text: string): boolean =>
  Buffer.from(request.buffer, request.byteOffset, request.byteLength).includes(text)

/** Writes what was checked; null when the set moved on meanwhile. */
async function write(
  tx: Db,
  id: string,
  { base, writer, name, rules, delivery, icons, order }: CheckedWrites,
  checkedIn: number,
): Promise<Result<number> | null> {
  const row = await tx
    .selectFrom('sets')
    .select(['revision', 'writer', 'deleted_at'])
    .where('id', '=', id)
    .executeTakeFirst()
  if (!row || row.deleted_at !== null) return failed('not-found', GONE)
  const ownLast = writer !== null && row.writer === writer && row.revision === base + 1
  if (row.revision !== base && !ownLast) return failed('conflict', 'The set was changed in another window.')
  if (row.revision !== checkedIn) return null
  const revision = row.revision + 1
  const kept = await tx.selectFrom('icons').select(['id', 'position']).where('set_id', '=', id).execute()
  const positions = new Map(kept.map((icon) => [icon.id, icon.position]))
  let next = Math.max(0, ...positions.values()) + 1
  for (const icon of icons) {
    const values = iconValues(id, icon, positions.get(icon.id) ?? next++, revision)
    await tx
      .insertInto('icons')
      .values(values)
      .onConflict((on) => on.columns(['set_id', 'id']).doUpdateSet(values))
      .execute()
  }
  if (order) await reorder(tx, id, order)
  const changes = {
    ...(name !== undefined && { name }),
    ...(rules !== undefined && { rules, rules_revision: revision }),
    ...(delivery !== undefined && { delivery }),
  }
  await tx
    .updateTable('sets')
    .set({ ...changes, revision, writer, changed_at: new Date().toISOString() })
    .where('id', '=', id)
    .execute()
  return done(revision)
}

async function reorder(tx: Db, id: string, order: readonly string[]): Promise<void> {
  const at = new Date().toISOString()
  const rows = await tx.selectFrom('icons').select(['id', 'position', 'deleted_at']).where('set_id', '=', id).execute()
  const positions = new Map(order.map((icon, i) => [icon, i]))
  for (const row of rows) {
    const position = positions.get(row.id)
    const deleted_at = position === undefined ? (row.deleted_at ?? at) : null
    if (deleted_at === row.deleted_at && (position ?? row.position) === row.position) continue
    await tx
      .updateTable('icons')
      .set({ deleted_at, position: position ?? row.position })
      .where('set_id', '=', id)
      .where('id', '=', row.id)
      .execute()
  }
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
