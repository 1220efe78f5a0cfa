import type { Selectable } from 'kysely'
import type { Db } from './database/database'
import type { Tables } from './database/schema'

export const GONE = 'This set is no longer there.'

/** A set as its table has it, without its icons. */
export type SetRow = Selectable<Tables['sets']>

/** The row of a set; undefined where there is none or it was deleted. */
export const setRow = (db: Db, id: string): Promise<SetRow | undefined> =>
  db.selectFrom('sets').selectAll().where('id', '=', id).where('deleted_at', 'is', null).executeTakeFirst()
