import { mkdir, mkdtemp, rename, rm, writeFile } from 'node:fs/promises'
import { dirname, join } from 'node:path'
import { type Answer, type Options, UsageError } from './command'
import { askedTargets, makeFiles, progressLine } from './made-files'
import { readSet } from './read-set'

/**
 * Writes a set's files into a folder; what is in the folder already and not part of the delivery stays. Everything is
 * written beside first and moved there at the end, so that a delivery that fails leaves the folder as it was.
 */
export async function deliverCommand(files: readonly string[], options: Options): Promise<Answer> {
  const { to } = options
  if (!to) throw new UsageError('Name the folder to write into: --to DIR.')
  const set = await readSet(files)
  const targets = askedTargets(options, set)
  await mkdir(to, { recursive: true })
  const beside = await mkdtemp(join(to, '.delivery-'))
  try {
    const written: { path: string; bytes: number }[] = []
    const faults = await makeFiles(
      set,
      targets,
      async ({ path, bytes }) => {
        await write(join(beside, path), bytes)
        written.push({ path, bytes: bytes.length })
      },
      progressLine(options, 'Drawing'),
    )
    for (const folder of new Set(written.map(({ path }) => dirname(path))))
      await mkdir(join(to, folder), { recursive: true })
    for (const { path } of written) await rename(join(beside, path), join(to, path))
    return {
      lines: options.quiet
        ? []
        : [
            ...faults.map(({ sentence }) => `warning: ${sentence}`),
            `${written.length} files of “${set.name}” written to ${to}.`,
          ],
      value: { set: set.name, targets, files: written, warnings: faults.map(({ sentence }) => sentence) },
    }
  } finally {
    await rm(beside, { recursive: true, force: true })
  }
}

async function write(file: string, bytes: Uint8Array): Promise<void> {
  await mkdir(dirname(file), { recursive: true })
  await writeFile(file, bytes)
}
