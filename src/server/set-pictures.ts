import { MAX_BYTES, type Pictures } from '../core/formats/set-file'
import { type IconSet, referencesOf } from '../core/set/set'
import type { Db } from './database'
import { done, failed, type Result } from './failure'
import { addPicture, readPicture } from './pictures'

/** The pictures that the icons of a set are drawn by, in base64 by their ids; a failure when they are too much for one file. */
export async function picturesOf(db: Db, set: IconSet): Promise<Result<Pictures>> {
  const pictures: Record<string, string> = {}
  let size = 0
  for (const id of new Set(set.icons.flatMap((icon) => referencesOf(icon).map(({ picture }) => picture)))) {
    const stored = await readPicture(db, id)
    if (!stored) continue
    pictures[id] = Buffer.from(stored.bytes).toString('base64')
    size += pictures[id].length
    if (size > 0.9 * MAX_BYTES) return failed('too-large', `With its references the file would be larger than ${MAX_BYTES / 2 ** 20} MB. Leave the references out.`)
  }
  return done(pictures)
}

/** Keeps the pictures of a set file. Throws nothing away: one that cannot be read is left out, and its reference shows that it is missing. */
export async function keepPictures(db: Db, pictures: Pictures): Promise<void> {
  for (const base64 of Object.values(pictures)) await addPicture(db, Buffer.from(base64, 'base64'))
}
