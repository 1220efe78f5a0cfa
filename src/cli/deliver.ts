import { leavesOut } from '../core/targets/release-refusal'
import { releasedAs } from '../core/targets/released'
import { type Answer, limitOf, type Options, print, UsageError } from './command'
import { askedTargets, makeFiles, progressLine } from './made-files'
import { type FolderChanges, MovedIn } from './moved-in'
import { readSet } from './read-set'
import { startProof } from './prove'
import { lastRelease } from './release'
import { watched } from './watched'

/** How many paths are named at once. */
const FEW = 10

/**
 * Writes a set's files into a folder, all or none. Foreign files in the folder stay. Files of an earlier delivery that
 * are no longer delivered are listed, and removed with --clean. --check writes nothing and gives the status 1 if the
 * folder differs. --prove reads every SVG back. --watch repeats this whenever the set file changes.
 */
export async function deliverCommand(files: readonly string[], options: Options, end?: AbortSignal): Promise<Answer> {
  if (!options.watch) return delivered(files, options)
  const [file] = files
  if (file === undefined) throw new UsageError('Name the set file to watch.')
  if (!options.to) throw new UsageError(NO_FOLDER)
  await watched(
    file,
    () => delivered(files, options),
    (answer) => print(answer, options.json === true),
    end,
  )
  return { lines: [], value: null }
}

const NO_FOLDER = 'Name the folder to write into: --to DIR.'

async function delivered(files: readonly string[], options: Options): Promise<Answer> {
  const { to, clean = false, check = false, releases } = options
  if (!to) throw new UsageError(NO_FOLDER)
  const set = await readSet(files)
  const targets = askedTargets(options, set),
    last = releases === undefined ? null : await lastRelease(releases)
  const moving = await MovedIn.begin(to)
  try {
    const written: { path: string; bytes: number }[] = [],
      unproved: string[] = [],
      proof = options.prove ? await startProof() : null
    const { problems, leftOut } = await makeFiles(
      set,
      targets,
      async ({ path, bytes }) => {
        await moving.add(path, bytes)
        written.push({ path, bytes: bytes.length })
        const sentence = path.endsWith('.svg') ? proof?.(path, bytes) : null
        if (sentence) unproved.push(sentence)
      },
      progressLine(options, 'Drawing'),
      last && releasedAs(last.number, last.icons),
      limitOf(options),
    )
    const changes = await moving.changes(),
      { stale } = changes
    if (!check) await moving.moveIn(clean)
    const errors = problems.filter(leavesOut),
      warnings = problems.filter((one) => !errors.includes(one)),
      sentences = [
        ...errors.map(({ sentence }) => sentence),
        ...leftOut.map(({ icon, message }) => `“${icon}” cannot be delivered. ${message}`),
        ...unproved,
      ]
    const isSame = [...changes.added, ...changes.changed, ...stale].length === 0
    const left = [...new Set(errors.flatMap(({ target, icon }) => (icon === undefined ? [target] : [])))]
    const nameOf = (id: string) => set.icons.find((icon) => icon.id === id)!.name
    const leftWords = [
      ...left,
      ...new Set(errors.flatMap(({ target, icon }) => (icon === undefined ? [] : [`“${nameOf(icon)}” of ${target}`]))),
      ...leftOut.map(({ icon }) => `“${icon}”`),
    ]
    return {
      lines: options.quiet
        ? sentences.map((sentence) => `error: ${sentence}`)
        : [
            ...sentences.map((sentence) => `error: ${sentence}`),
            ...warnings.map(({ sentence }) => `warning: ${sentence}`),
            ...(check ? checkLines(changes) : staleLines(stale, clean)),
            check
              ? `${to} is ${isSame ? '' : 'not '}what “${set.name}” gives: ${countsOf(changes)}.`
              : `${written.length} files of “${set.name}” written to ${to}: ${countsOf(changes)}.${leftWords.length > 0 ? ` Left out: ${leftWords.join(', ')}.` : ''}`,
          ],
      value: {
        set: set.name,
        targets: targets.filter((id) => !left.includes(id)),
        files: written,
        errors: sentences,
        warnings: warnings.map(({ sentence }) => sentence),
        ...changes,
        removed: clean && !check ? stale : [],
      },
      ...((sentences.length > 0 || (check && !isSame)) && { status: 1 as const }),
    }
  } finally {
    await moving.clear()
  }
}

const countsOf = ({ added, changed, stale }: FolderChanges): string =>
  [
    added.length > 0 && `${added.length} new`,
    changed.length > 0 && `${changed.length} changed`,
    stale.length > 0 && `${stale.length} no longer delivered`,
  ]
    .filter(Boolean)
    .join(', ') || 'nothing changed'

const checkLines = ({ added, changed, stale }: FolderChanges): string[] => [
  ...some('missing', added),
  ...some('differs', changed),
  ...some('no longer delivered', stale),
]

const some = (word: string, paths: readonly string[]): string[] => [
  ...paths.slice(0, FEW).map((path) => `${word}: ${path}`),
  ...(paths.length > FEW ? [`${word}: ${paths.length - FEW} more`] : []),
]

function staleLines(stale: readonly string[], isRemoved: boolean): string[] {
  if (stale.length === 0) return []
  const more = stale.length > FEW ? [`  … and ${stale.length - FEW} more`] : []
  const head = isRemoved ? 'Removed, no longer delivered:' : 'No longer delivered; --clean removes them:'
  return [head, ...stale.slice(0, FEW).map((path) => `  ${path}`), ...more]
}
