import type { Db } from './database'

/**
 * The epoch of a database: the name of its run of revisions. A restored database begins another, so that no window
 * mistakes a revision number.
 */
export async function epochOf(db: Db): Promise<string> {
  return (await db.selectFrom('settings').select('value').where('key', '=', 'epoch').executeTakeFirstOrThrow()).value
}
