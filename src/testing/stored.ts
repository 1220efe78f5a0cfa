import { basesOf, type SaveRequest, type SetWrites } from '../core/saving/wire'
import type { Db } from '../server/database/database'
import { epochOf } from '../server/database/epoch'
import { readSet } from '../server/sets'

let saves = 0

/** A save of writes, built on what is stored of a set now. */
export async function saveOver(db: Db, setId: string, writes: object): Promise<SaveRequest> {
  const { revisions } = (await readSet(db, setId))!
  return {
    epoch: await epochOf(db),
    id: `save-of-a-test-${++saves}`,
    bases: basesOf(writes as SetWrites, revisions),
    writes: writes as SetWrites,
  }
}

/** A request as bytes. */
export const bytesOfJson = (value: object): Uint8Array => Buffer.from(JSON.stringify(value))
