import { z } from 'zod'
import { nameKey, SetName } from '../core/set/names'
import { Icon, iconProblems, LIMITS, setProblems } from '../core/set/set'
import { Rules } from '../core/rules/rules'
import { schemaSentence } from '../core/formats/set-file'
import type { Db } from './database'
import { done, failed, type Result } from './failure'
import { iconRow, readSet } from './sets'

/** What changed in a set since a revision: whole icons, whole rules; what is left out stays as it was. */
export const SetWrites = z.strictObject({
  name: SetName.optional(),
  rules: Rules.optional(),
  icons: z.array(Icon).max(LIMITS.icons).optional(),
  /** The ids of all icons in their order; whatever is not among them goes to the bin. */
  order: z.array(z.string()).max(LIMITS.icons).optional(),
})

/** Changes on top of revision `base`, by a session that names itself. */
export const SaveRequest = z.strictObject({ base: z.int().min(1), writer: z.string().min(1).max(60).optional(), writes: SetWrites })

export type SetWrites = z.infer<typeof SetWrites>

/**
 * Saves changes made on top of revision `base`, all or nothing, and gives the new revision. A session whose last answer was lost on the way
 * does not know of its own last revision: what it sends then goes on top of that.
 */
export async function saveSet(db: Db, id: string, request: unknown): Promise<Result<number>> {
  const parsed = SaveRequest.safeParse(request)
  if (!parsed.success) return failed('invalid', schemaSentence(parsed.error))
  const { base, writer, writes } = parsed.data
  const saving = db.transaction().execute(async (tx): Promise<Result<number>> => {
    const row = await tx.selectFrom('sets').select(['revision', 'writer', 'rules', 'deleted_at']).where('id', '=', id).executeTakeFirst()
    if (!row || row.deleted_at !== null) return failed('not-found', 'This set is no longer there.')
    const ownLast = writer !== undefined && row.writer === writer && row.revision === base + 1
    if (row.revision !== base && !ownLast) return failed('conflict', 'The set was changed in another window.')
    const problem = await problemOf(tx, id, writes, row.rules)
    if (problem) return failed('invalid', problem)

    const kept = await tx.selectFrom('icons').select(['id', 'position', 'deleted_at']).where('set_id', '=', id).execute()
    let next = Math.max(0, ...kept.map(({ position }) => position)) + 1
    for (const icon of writes.icons ?? []) {
      const position = kept.find((other) => other.id === icon.id)?.position ?? next++
      const values = iconRow(id, icon, position)
      await tx.insertInto('icons').values(values).onConflict((on) => on.columns(['set_id', 'id']).doUpdateSet(values)).execute()
    }
    if (writes.order) await reorder(tx, id, writes.order)
    const changes = { ...(writes.name && { name: writes.name }), ...(writes.rules && { rules: JSON.stringify(writes.rules) }) }
    await tx
      .updateTable('sets')
      .set({ ...changes, revision: row.revision + 1, writer: writer ?? null, changed_at: new Date().toISOString() })
      .where('id', '=', id)
      .execute()
    return done(row.revision + 1)
  })
  // A full disk or a locked file is no fault of the request: it may be sent again, and nothing of it was stored.
  return saving.catch((error: unknown) => failed('unavailable', `The change could not be stored: ${error instanceof Error ? error.message : String(error)}.`))
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

/** What the writes would leave the set wrong in, as a sentence; null when all is well. */
async function problemOf(tx: Db, id: string, writes: SetWrites, rules: string): Promise<string | null> {
  const icons = writes.icons ?? []
  if (!writes.rules && !writes.order && icons.length === 1) {
    const icon = icons[0]!
    const others = await tx.selectFrom('icons').select('name').where('set_id', '=', id).where('id', '!=', icon.id).where('deleted_at', 'is', null).execute()
    if (others.some(({ name }) => nameKey(name) === nameKey(icon.name))) return `Two icons are named “${icon.name}”.`
    return iconProblems(icon, JSON.parse(rules))[0] ?? null
  }
  const stored = await readSet(tx, id)
  const all = new Map([...stored!.set.icons, ...icons].map((icon) => [icon.id, icon]))
  const order = writes.order ?? [...all.keys()]
  const missing = order.find((icon) => !all.has(icon))
  if (missing) return `The icon ${missing} is not in this set.`
  return setProblems({ ...stored!.set, rules: writes.rules ?? stored!.set.rules, icons: order.map((icon) => all.get(icon)!) })[0] ?? null
}

/** The icons that were deleted from a set, latest first. */
export async function deletedIcons(db: Db, id: string): Promise<Icon[]> {
  const rows = await db
    .selectFrom('icons')
    .select(['id', 'name', 'masters'])
    .where('set_id', '=', id)
    .where('deleted_at', 'is not', null)
    .orderBy('deleted_at', 'desc')
    .execute()
  return rows.map(({ id, name, masters }) => ({ id, name, masters: JSON.parse(masters) }))
}
