import { sql } from 'kysely'
import type { Db } from './database'
import { purgePast } from '../past'
import { BIN_DAYS, DAY_MS, UNUSED_PICTURE_DAYS } from '../retention'

/** From which share of a database on, and from how many bytes, giving room back to the disk is worth its time. */
const PAYS = { share: 0.25, bytes: 32 * 2 ** 20 }

const before = (days: number, now: number): string => new Date(now - days * DAY_MS).toISOString()

/**
 * Takes out for good what has been in the bin for thirty days, sets with their releases, icons, and what nothing refers to
 * any more; gives room back to the disk where that pays. Gives how much went.
 */
export async function purge(db: Db, now = Date.now()): Promise<{ sets: number; icons: number; pictures: number }> {
  const old = before(BIN_DAYS, now)
  const sets = await db.deleteFrom('sets').where('deleted_at', '<', old).executeTakeFirst()
  await purgePast(db, now, old)
  const icons = await db.deleteFrom('icons').where('deleted_at', '<', old).executeTakeFirst()
  await db.deleteFrom('saves').where('at', '<', old).execute()
  await db
    .deleteFrom('drawn')
    .where(({ not, exists, selectFrom }) =>
      not(
        exists(
          selectFrom('icons')
            .select('icons.id')
            .whereRef('icons.set_id', '=', 'drawn.set_id')
            .whereRef('icons.id', '=', 'drawn.icon_id'),
        ),
      ),
    )
    .execute()
  const used = new Set<string>()
  const drawings = await db
    .selectFrom('icons')
    .select('masters as json')
    .where('masters', 'like', '%"picture":"%')
    .unionAll(db.selectFrom('past').select('value as json').where('value', 'like', '%"picture":"%'))
    .execute()
  for (const { json } of drawings) for (const [, id] of json.matchAll(/"picture":"([0-9a-f]{24})"/g)) used.add(id!)
  let pictures = 0
  const idle = await db
    .selectFrom('pictures')
    .select('id')
    .where('added_at', '<', before(UNUSED_PICTURE_DAYS, now))
    .execute()
  for (const { id } of idle) {
    if (used.has(id)) continue
    await db.deleteFrom('pictures').where('id', '=', id).execute()
    pictures++
  }
  if (await pays(db)) await sql`vacuum`.execute(db)
  return { sets: Number(sets.numDeletedRows), icons: Number(icons.numDeletedRows), pictures }
}

async function pays(db: Db): Promise<boolean> {
  const figure = async (name: string) =>
    Object.values((await sql.raw<Record<string, number>>(`pragma ${name}`).execute(db)).rows[0]!)[0]!
  const [free, all, size] = [await figure('freelist_count'), await figure('page_count'), await figure('page_size')]
  return free / all > PAYS.share && free * size > PAYS.bytes
}
