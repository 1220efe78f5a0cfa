import { type Answer, type Options, UsageError } from './command'
import { askedTargets, makeFiles, progressLine } from './made-files'
import { MovedIn } from './moved-in'
import { readSet } from './read-set'

/** How many paths are named at once. */
const FEW = 10

/**
 * Writes a set's files into a folder, all or none; what is in the folder already and not part of the delivery stays. What
 * an earlier delivery wrote and this one does not is named, and removed with --clean.
 */
export async function deliverCommand(files: readonly string[], options: Options): Promise<Answer> {
  const { to, clean = false } = options
  if (!to) throw new UsageError('Name the folder to write into: --to DIR.')
  const set = await readSet(files)
  const targets = askedTargets(options, set)
  const moving = await MovedIn.begin(to)
  try {
    const written: { path: string; bytes: number }[] = []
    const faults = await makeFiles(
      set,
      targets,
      async ({ path, bytes }) => {
        await moving.add(path, bytes)
        written.push({ path, bytes: bytes.length })
      },
      progressLine(options, 'Drawing'),
    )
    const { stale } = await moving.moveIn(clean)
    const errors = faults.filter(({ isError, target }) => isError && target !== undefined),
      warnings = faults.filter((fault) => !errors.includes(fault))
    const left = [...new Set(errors.flatMap(({ target, icon }) => (icon === undefined ? [target] : [])))]
    return {
      lines: options.quiet
        ? errors.map(({ sentence }) => `error: ${sentence}`)
        : [
            ...errors.map(({ sentence }) => `error: ${sentence}`),
            ...warnings.map(({ sentence }) => `warning: ${sentence}`),
            ...staleLines(stale, clean),
            `${written.length} files of “${set.name}” written to ${to}.${left.length > 0 ? ` Left out: ${left.join(', ')}.` : ''}`,
          ],
      value: {
        set: set.name,
        targets: targets.filter((id) => !left.includes(id)),
        files: written,
        errors: errors.map(({ sentence }) => sentence),
        warnings: warnings.map(({ sentence }) => sentence),
        stale,
        removed: clean ? stale : [],
      },
      ...(errors.length > 0 && { status: 1 as const }),
    }
  } finally {
    await moving.clear()
  }
}

function staleLines(stale: readonly string[], isRemoved: boolean): string[] {
  if (stale.length === 0) return []
  const more = stale.length > FEW ? [`  … and ${stale.length - FEW} more`] : []
  const head = isRemoved ? 'Removed, no longer delivered:' : 'No longer delivered; --clean removes them:'
  return [head, ...stale.slice(0, FEW).map((path) => `  ${path}`), ...more]
}
