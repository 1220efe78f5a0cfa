import type { Rules } from '../../core/rules/rules'
import type { DeliveredIcon } from '../../core/targets/compare'
import { releasedAs } from '../../core/targets/released'
import type { Family } from '../../core/targets/target'
import type { Db } from '../database/database'
import { type IconRow, inOrder } from '../set-rows'

/** A set as a delivery sees it, in one of its revisions: without its drawings. */
export type StoredSet = { readonly id: string; readonly revision: number; readonly family: Family }

/** A set to be delivered, null when there is none or it was deleted. Reads no drawing. */
export async function readStoredSet(db: Db, id: string): Promise<StoredSet | null> {
  const row = await db
    .selectFrom('sets')
    .select(['name', 'kind', 'rules', 'delivery', 'revision', 'icon_order'])
    .where('id', '=', id)
    .where('deleted_at', 'is', null)
    .executeTakeFirst()
  if (!row) return null
  const icons = await db
    .selectFrom('icons')
    .select(['id', 'name', 'labels'])
    .where('set_id', '=', id)
    .where('deleted_at', 'is', null)
    .execute()
  const last = await db
    .selectFrom('releases')
    .select(['number', 'icons'])
    .where('set_id', '=', id)
    .orderBy('number', 'desc')
    .limit(1)
    .executeTakeFirst()
  const family: Family = {
    name: row.name,
    kind: row.kind as Family['kind'],
    rules: JSON.parse(row.rules) as Rules,
    ...(row.delivery !== null && { delivery: JSON.parse(row.delivery) }),
    ...(last && { released: releasedAs(last.number, JSON.parse(last.icons) as DeliveredIcon[]) }),
    icons: inOrder(icons, row.icon_order).map(({ id, name, labels }) => ({
      id,
      name,
      ...(labels !== null && JSON.parse(labels)),
    })),
  }
  return { id, revision: row.revision, family }
}

/** Icons of a set with their drawings, but for those that were changed since its revision, or whose rules were. */
export function unchangedIcons(db: Db, { id, revision }: StoredSet, ids: readonly string[]): Promise<IconRow[]> {
  return db
    .selectFrom('icons')
    .innerJoin('sets', 'sets.id', 'icons.set_id')
    .select(['icons.id', 'icons.name', 'icons.labels', 'icons.masters'])
    .where('icons.set_id', '=', id)
    .where('icons.id', 'in', ids)
    .where('icons.deleted_at', 'is', null)
    .where('icons.revision', '<=', revision)
    .where('sets.rules_revision', '<=', revision)
    .execute()
}
