import { mkdir, mkdtemp, rename, rm, writeFile } from 'node:fs/promises'
import { dirname, join } from 'node:path'
import { fileBytes, planProblems, plannedFiles } from '../core/targets/delivery'
import { TARGETS } from '../core/targets/targets'
import { drawnIcon } from '../core/formats/drawn'
import { startRasteriser } from '../server/renderer/raster'
import { type Answer, type Options, UsageError } from './command'
import { readSet } from './read-set'

/**
 * Writes a set's files into a folder; what is in the folder already and not part of the delivery stays. Everything is
 * written beside first and moved there at the end, so that a delivery that fails leaves the folder as it was.
 */
export async function deliverCommand(files: readonly string[], { to, targets }: Options): Promise<Answer> {
  if (!to) throw new UsageError('Name the folder to write into: --to DIR.')
  const known = TARGETS.map(({ id }) => id),
    chosen = targets?.split(',') ?? known
  const unknown = chosen.find((id) => !known.includes(id))
  if (unknown !== undefined) throw new UsageError(`“${unknown}” is no target; there are ${known.join(', ')}.`)
  const set = await readSet(files)
  const planned = plannedFiles(set, new Set(chosen))
  const [problem] = planProblems(planned)
  if (problem) throw new Error(problem)
  const drawn = new Map(set.icons.map((icon) => [icon, drawnIcon(icon, set.rules)]))
  for (const [icon, one] of drawn)
    if (one.problem !== undefined) throw new Error(`“${icon.name}” cannot be delivered. ${one.problem}`)
  const rasterise = await startRasteriser()
  await mkdir(to, { recursive: true })
  const beside = await mkdtemp(join(to, '.delivery-'))
  try {
    const written: { path: string; bytes: number }[] = []
    for (const file of planned) {
      const bytes = fileBytes(file, drawn.get(file.icon)!, set.rules, (svg, pixels) =>
        rasterise(svg, { side: 'width', pixels }),
      )
      await write(join(beside, file.path), bytes)
      written.push({ path: file.path, bytes: bytes.length })
    }
    for (const folder of new Set(written.map(({ path }) => dirname(path))))
      await mkdir(join(to, folder), { recursive: true })
    for (const { path } of written) await rename(join(beside, path), join(to, path))
    return {
      lines: [`${written.length} files of “${set.name}” written to ${to}.`],
      value: { set: set.name, files: written },
    }
  } finally {
    await rm(beside, { recursive: true, force: true })
  }
}

async function write(file: string, bytes: Uint8Array): Promise<void> {
  await mkdir(dirname(file), { recursive: true })
  await writeFile(file, bytes)
}
