import { MAX_BYTES } from '../core/formats/max-bytes'
import { type Pictures } from '../core/formats/set-file'
import type { Db } from './database/database'
import { done, failed, type Result } from './result'
import { addPicture, readPicture } from './pictures'
import type { Renderer } from './renderer/renderer'
import { isTaskEnded } from './renderer/task-ended'
import type { SetRows } from './set-rows'
import { addSet } from './sets'

/**
 * Imports a set file as a new set; gives its id, the name it got, and how many of its reference pictures cannot be read:
 * those are left out, and their references show that they are missing.
 */
export async function importSetFile(
  db: Db,
  renderer: Renderer,
  bytes: Uint8Array,
): Promise<Result<{ id: string; name: string; lost: number }>> {
  const read = await renderer.run('readFile', bytes).catch((error: unknown) => {
    if (isTaskEnded(error))
      return { error: { code: 'too-large' as const, message: 'The set file takes too much work to be read.' } }
    throw error
  })
  if ('error' in read) return failed(read.error.code === 'too-large' ? 'too-large' : 'invalid', read.error.message)
  const added = await addSet(db, read.rows)
  return done({ ...added, lost: await keepPictures(db, renderer, read.pictures) })
}

/** A set as the text of its file, with the pictures it is drawn by where they are wanted. */
export async function exportSetFile(
  db: Db,
  renderer: Renderer,
  rows: SetRows,
  withPictures: boolean,
): Promise<Result<string>> {
  const pictures = withPictures ? await picturesOf(db, rows) : done({})
  return pictures.ok ? done(await renderer.run('writeFile', { rows, pictures: pictures.value })) : pictures
}

/**
 * The pictures that the icons of a set are drawn by, in base64 by their ids; a failure when they are too much for one
 * file.
 */
export async function picturesOf(db: Db, { icons }: SetRows): Promise<Result<Pictures>> {
  const pictures: Record<string, string> = {}
  let size = 0
  const ids = new Set(
    icons.flatMap(({ masters }) => [...masters.matchAll(/"picture":"([0-9a-f]{24})"/g)].map(([, id]) => id!)),
  )
  for (const id of ids) {
    const stored = await readPicture(db, id)
    if (!stored) continue
    pictures[id] = Buffer.from(stored.bytes).toString('base64')
    size += pictures[id].length
    if (size > 0.9 * MAX_BYTES)
      return failed(
        'too-large',
        `With its references the file would be larger than ${MAX_BYTES / 2 ** 20} MB. Leave the references out.`,
      )
  }
  return done(pictures)
}

/** Keeps the pictures of a set file; gives how many of them cannot be read. */
export async function keepPictures(db: Db, renderer: Renderer, pictures: Pictures): Promise<number> {
  let lost = 0
  for (const base64 of Object.values(pictures))
    if (!(await addPicture(db, renderer, Buffer.from(base64, 'base64'))).ok) lost++
  return lost
}
