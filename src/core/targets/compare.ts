/** A delivered icon: its picture is its document for light ground on the set's grid. */
export type DeliveredIcon = { readonly id: string; readonly name: string; readonly svg: string }

/** A delivered icon with its picture in the stored form; null if its document cannot be read. */
export type ShownIcon = DeliveredIcon & { readonly picture: string | null }

/** A delivered file: its path, size and hash. */
export type DeliveredPath = { readonly path: string; readonly bytes: number; readonly hash: string }

/** A delivery. */
export type Delivered = { readonly icons: readonly DeliveredIcon[]; readonly files: readonly DeliveredPath[] }

/** Differences of two deliveries. */
export type Changes<I extends DeliveredIcon = DeliveredIcon> = {
  readonly added: readonly I[]
  readonly removed: readonly I[]
  readonly renamed: readonly { readonly before: I; readonly after: I }[]
  /** Icons that look otherwise; one that was renamed too is among both. */
  readonly changed: readonly { readonly before: I; readonly after: I }[]
  readonly files: {
    readonly added: readonly string[]
    readonly removed: readonly string[]
    readonly changed: readonly string[]
  }
}

/** What changed from one delivery to another; icons are the same by their ids. */
export function changesBetween(before: Delivered, after: Delivered): Changes {
  const was = new Map(before.icons.map((icon) => [icon.id, icon])),
    is = new Set(after.icons.map(({ id }) => id))
  const pairs = after.icons.flatMap((icon) => {
    const old = was.get(icon.id)
    return old ? [{ before: old, after: icon }] : []
  })
  const files = new Map(before.files.map((file) => [file.path, file.hash])),
    paths = new Set(after.files.map(({ path }) => path))
  return {
    added: after.icons.filter(({ id }) => !was.has(id)),
    removed: before.icons.filter(({ id }) => !is.has(id)),
    renamed: pairs.filter((pair) => pair.before.name !== pair.after.name),
    changed: pairs.filter((pair) => pair.before.svg !== pair.after.svg),
    files: {
      added: after.files.flatMap(({ path }) => (files.has(path) ? [] : [path])),
      removed: before.files.flatMap(({ path }) => (paths.has(path) ? [] : [path])),
      changed: after.files.flatMap(({ path, hash }) => ((files.get(path) ?? hash) === hash ? [] : [path])),
    },
  }
}

/** The icons of changes, each once for each place where it stands. */
export const iconsIn = <I extends DeliveredIcon>({ added, removed, renamed, changed }: Changes<I>): I[] => [
  ...added,
  ...removed,
  ...[...renamed, ...changed].flatMap(({ before, after }) => [before, after]),
]

/** Changes with something more for each icon. */
export function changesWith<I extends DeliveredIcon>(changes: Changes, more: (icon: DeliveredIcon) => I): Changes<I> {
  const { added, removed, renamed, changed, files } = changes
  const pair = ({ before, after }: Changes['changed'][number]) => ({ before: more(before), after: more(after) })
  return {
    added: added.map(more),
    removed: removed.map(more),
    renamed: renamed.map(pair),
    changed: changed.map(pair),
    files,
  }
}

/** Whether two deliveries are the same, icons and files. */
export const isSame = ({ added, removed, renamed, changed, files }: Changes): boolean =>
  [added, removed, renamed, changed, files.added, files.removed, files.changed].every((list) => list.length === 0)

/** How many paths a changelog names. */
const SAID = 12

/** Changes as the text of a changelog (Markdown). */
export function changelog(title: string, note: string, { added, removed, renamed, changed, files }: Changes): string {
  const list = (word: string, names: readonly string[]) =>
    names.length === 0 ? [] : [`### ${word}`, '', ...names.map((name) => `- ${name}`), '']
  const lines = [
    ...list(
      'New',
      added.map(({ name }) => name),
    ),
    ...list(
      'Changed',
      changed.map(({ after }) => after.name),
    ),
    ...list(
      'Renamed',
      renamed.map((one) => `${one.before.name} is now ${one.after.name}`),
    ),
    ...list(
      'Removed',
      removed.map(({ name }) => name),
    ),
    ...list('Removed paths', [
      ...files.removed.slice(0, SAID),
      ...(files.removed.length > SAID ? [`and ${files.removed.length - SAID} more`] : []),
    ]),
  ]
  return [
    `## ${title}`,
    '',
    ...(note ? [note, ''] : []),
    ...(lines.length > 0 ? lines : ['Nothing changed.', '']),
  ].join('\n')
}
