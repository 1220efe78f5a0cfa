import type { Db } from './database'

/**
 * The run of revisions that a database counts in. One that is put back to an earlier state begins another, so that no window
 * takes a number for what it meant before.
 */
export async function epochOf(db: Db): Promise<string> {
  return (await db.selectFrom('settings').select('value').where('key', '=', 'epoch').executeTakeFirstOrThrow()).value
}
