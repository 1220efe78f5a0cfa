import { readFile, stat } from 'node:fs/promises'
import { MAX_BYTES } from '../core/formats/max-bytes'
import { type Pictures, readSetFile } from '../core/formats/set-file'
import type { IconSet } from '../core/set/set'
import { UsageError } from './command'

/** The one set that a command was given a file of. Throws a sentence when it cannot be read. */
export const readSet = async (files: readonly string[]): Promise<IconSet> => (await readWhole(files)).set

/** The same with the pictures that are in the file. */
export async function readWhole(files: readonly string[]): Promise<{ set: IconSet; pictures: Pictures }> {
  const [file, ...more] = files
  if (file === undefined || more.length > 0) throw new UsageError('Name one set file.')
  const found = await stat(file).catch(() => null)
  if (!found?.isFile()) throw new Error(`There is no file ${file}.`)
  if (found.size > MAX_BYTES)
    throw new Error(`${file} is larger than ${MAX_BYTES / 2 ** 20} MB, the most a set file may have.`)
  const { set, pictures, error } = readSetFile(await readFile(file, 'utf8'))
  if (error) throw new Error(`${file}: ${error.message}`)
  return { set, pictures }
}
