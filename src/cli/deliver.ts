import { mkdir, writeFile } from 'node:fs/promises'
import { dirname, join } from 'node:path'
import { deliver } from '../core/formats/delivery'
import { rasterise } from '../server/raster'
import { type Answer, type Options, UsageError } from './command'
import { readSet } from './read-set'

/** Writes a set's files into a folder; what is in the folder already and not part of the delivery stays. */
export async function deliverCommand(files: readonly string[], { to, formats = 'svg,png' }: Options): Promise<Answer> {
  if (to === undefined) throw new UsageError('Name the folder to write into: --to DIR.')
  const chosen = formats.split(',')
  const unknown = chosen.find((format) => format !== 'svg' && format !== 'png')
  if (unknown !== undefined) throw new UsageError(`“${unknown}” is no format; there are svg and png.`)
  const set = await readSet(files)
  const written: { path: string; bytes: number }[] = []
  for (const { path, bytes } of deliver(set, { svg: chosen.includes('svg'), png: chosen.includes('png') }, rasterise)) {
    const target = join(to, ...path.split('/'))
    await mkdir(dirname(target), { recursive: true })
    await writeFile(target, bytes)
    written.push({ path, bytes: bytes.length })
  }
  return { lines: [`${written.length} files of “${set.name}” written to ${to}.`], value: { set: set.name, files: written } }
}
