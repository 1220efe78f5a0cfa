import { codesOf } from './font/codes'
import { optionsOf } from './options'
import { atOnce, sortedIn, type Steps } from './steps'
import type { Family, IconFile, Named, SetFile, Target } from './target'
import { TARGETS } from './targets'

type PlannedOfIcon<I extends Named> = IconFile & { readonly target: string; readonly icon: I }
type PlannedOfSet = SetFile & { readonly target: string; readonly icon: null }

/** A file of a delivery: by which target, and of which icon; null where it is of the set as a whole. */
export type PlannedFile<I extends Named = Named> = PlannedOfIcon<I> | PlannedOfSet

/** What a set is delivered to where nothing is chosen. */
const USUAL = ['svg', 'png']

/** The targets that a set is delivered to. */
export const targetsOf = ({ delivery }: Pick<Family, 'delivery'>): readonly string[] => delivery?.targets ?? USUAL

/** The icons that stand for applications. */
export function appsOf<I extends Named>({ kind, icons, delivery }: Family<I>): readonly I[] {
  const named = delivery?.apps
  if (!named) return kind === 'app' ? icons : []
  return icons.filter(({ id }) => named.includes(id))
}

/** Targets by their ids, in the order they are offered. */
export const named = (targets: Iterable<string>): Target[] => {
  const ids = new Set(targets)
  return TARGETS.filter(({ id }) => ids.has(id))
}

/** A set as a target is delivered of it: without the icons that will not do there; code points are those of all. */
function familyFor<I extends Named>(family: Family<I>, target: string): Family<I> {
  const gone = family.without?.[target]
  if (!gone) return family
  return {
    ...family,
    delivery: { ...family.delivery, codes: Object.fromEntries(codesOf(family)) },
    icons: family.icons.filter(({ id }) => !gone.includes(id)),
  }
}

/** What gives the files of each icon of a set. */
function filesByIcon<I extends Named>(
  family: Family<I>,
  targets: Iterable<string>,
): (icon: I) => readonly PlannedOfIcon<I>[] {
  const apps = new Set(appsOf(family).map(({ id }) => id)),
    each = named(targets).map((target) => ({
      target,
      options: optionsOf(target, family.delivery),
      own: familyFor(family, target.id),
      gone: new Set(family.without?.[target.id]),
    }))
  return (icon) =>
    each.flatMap(({ target, options, own, gone }) =>
      gone.has(icon.id) || (target.isForApps && !apps.has(icon.id))
        ? []
        : (target.each?.(icon, own, options) ?? []).map((file) => ({ ...file, target: target.id, icon })),
    )
}

/** The files of one icon of a set. */
export const filesOfIcon = <I extends Named>(
  icon: I,
  family: Family<I>,
  targets: Iterable<string>,
): readonly PlannedOfIcon<I>[] => filesByIcon(family, targets)(icon)

/** The files of a set as a whole. */
export function filesOfSet(family: Family, targets: Iterable<string>): PlannedOfSet[] {
  if (family.icons.length === 0) return []
  return named(targets).flatMap((target) =>
    target.isForApps && appsOf(family).length === 0
      ? []
      : (target.whole?.(familyFor(family, target.id), optionsOf(target, family.delivery)) ?? []).map((file) => ({
          ...file,
          target: target.id,
          icon: null,
        })),
  )
}

/** Every file that a delivery of a set to some targets writes, in order of path. */
export const plannedFiles = <I extends Named>(family: Family<I>, targets: Iterable<string>): PlannedFile<I>[] =>
  atOnce(plannedFilesIn(family, targets))

/** The same in steps. */
export function* plannedFilesIn<I extends Named>(
  family: Family<I>,
  targets: Iterable<string>,
): Steps<PlannedFile<I>[]> {
  const ids = [...targets],
    of = filesByIcon(family, ids)
  const files: PlannedFile<I>[] = []
  for (const icon of family.icons) {
    files.push(...of(icon))
    yield
  }
  files.push(...filesOfSet(family, ids))
  return yield* sortedIn(files, byPath)
}

/** In order of path, by code units: the same on every machine. */
export const byPath = (a: { readonly path: string }, b: { readonly path: string }): number =>
  a.path < b.path ? -1 : a.path > b.path ? 1 : 0
