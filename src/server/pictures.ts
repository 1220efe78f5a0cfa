import { createHash } from 'node:crypto'
import type { Db } from './database/database'
import { done, failed, type Result } from './result'
import type { PictureKind, ReadPicture } from './renderer/picture-file'
import type { Renderer } from './renderer/renderer'
import { isTaskEnded } from './renderer/task-ended'

/** The largest picture that is taken, in bytes. */
export const PICTURE_BYTES = 25 * 2 ** 20

/** A picture that is kept: the id is made of its bytes, so that the same picture is kept once. */
type StoredPicture = ReadPicture & { readonly id: string }

/** Keeps a picture and gives its id and size in pixels. Drawings (SVG) become pixels first. */
export async function addPicture(
  db: Db,
  renderer: Renderer,
  bytes: Uint8Array,
): Promise<Result<Omit<StoredPicture, 'bytes'>>> {
  if (bytes.length > PICTURE_BYTES)
    return failed('too-large', `The picture is larger than ${PICTURE_BYTES / 2 ** 20} MB, the most that is taken.`)
  const read = await renderer.run('readPicture', bytes).catch((error: unknown) => {
    if (isTaskEnded(error)) return failed('invalid', 'The picture takes too much to be drawn.')
    throw error
  })
  if (!read.ok) return read
  const { kind, w, h, bytes: kept } = read.value
  const at = new Date().toISOString()
  const id = createHash('sha256').update(kept).digest('hex').slice(0, 24)
  await db
    .insertInto('pictures')
    .values({ id, kind, w, h, bytes: Buffer.from(kept), added_at: at })
    // One that comes again waits anew for a drawing to refer to it.
    .onConflict((on) => on.column('id').doUpdateSet({ added_at: at }))
    .execute()
  return done({ id, kind, w, h })
}

export async function readPicture(db: Db, id: string): Promise<StoredPicture | null> {
  const row = await db
    .selectFrom('pictures')
    .select(['id', 'kind', 'w', 'h', 'bytes'])
    .where('id', '=', id)
    .executeTakeFirst()
  return row ? { ...row, kind: row.kind as PictureKind } : null
}
