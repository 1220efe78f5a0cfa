import { freeName, IconName, nameKey } from '../set/names'
import type { Delivery } from '../set/settings'
import { optionsOf } from './options'
import type { Portrait } from './portrait'
import type { Family, Fault, IconFile, Named, SetFile, Target } from './target'
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

const chosen = (targets: Iterable<string>): Target[] => {
  const ids = new Set(targets)
  return TARGETS.filter(({ id }) => ids.has(id))
}

/** The files of one icon of a set. */
export function filesOfIcon<I extends Named>(
  icon: I,
  family: Family<I>,
  targets: Iterable<string>,
): PlannedOfIcon<I>[] {
  const isApp = appsOf(family).some(({ id }) => id === icon.id)
  return chosen(targets).flatMap((target) =>
    target.isForApps && !isApp
      ? []
      : (target.each?.(icon, family, optionsOf(target, family.delivery)) ?? []).map((file) => ({
          ...file,
          target: target.id,
          icon,
        })),
  )
}

/** The files of a set as a whole. */
export function filesOfSet(family: Family, targets: Iterable<string>): PlannedOfSet[] {
  if (family.icons.length === 0) return []
  return chosen(targets).flatMap((target) =>
    target.isForApps && appsOf(family).length === 0
      ? []
      : (target.whole?.(family, optionsOf(target, family.delivery)) ?? []).map((file) => ({
          ...file,
          target: target.id,
          icon: null,
        })),
  )
}

/** Every file that a delivery of a set to some targets writes, in order of path. */
export const plannedFiles = <I extends Named>(family: Family<I>, targets: Iterable<string>): PlannedFile<I>[] => {
  const ids = [...targets]
  return [...family.icons.flatMap((icon) => filesOfIcon(icon, family, ids)), ...filesOfSet(family, ids)].sort(byPath)
}

/** In order of path, by code units: the same on every machine. */
export const byPath = (a: { readonly path: string }, b: { readonly path: string }): number =>
  a.path < b.path ? -1 : a.path > b.path ? 1 : 0

/** The longest path that every system and archive takes. */
const LONGEST = 180

/**
 * What speaks against the paths of files planned by what is chosen: two that would be one, names that some system
 * refuses, long ones; each with what would mend it, where that is known.
 */
export function pathFaults(files: readonly PlannedFile[], delivery: Delivery | undefined): Fault[] {
  const seen = new Map<string, PlannedFile>()
  const faults = new Map<string, Fault>(),
    names = files.flatMap(({ icon }) => (icon ? [icon.name] : []))
  for (const file of files) {
    const { path, icon } = file,
      key = nameKey(path),
      other = seen.get(key)
    seen.set(key, other ?? file)
    const say = (about: string, sentence: string, rename?: string) => {
      const at = `${about} ${icon?.id ?? path}`
      if (!faults.has(at))
        faults.set(at, {
          sentence,
          isError: true,
          ...(icon && { icon: icon.id }),
          ...(rename !== undefined && { rename }),
          ...(rename === undefined && about !== 'long' && usualNames(file.target, delivery)),
        })
    }
    if (other)
      say(
        'clash',
        icon && other.icon && icon !== other.icon
          ? `“${other.icon.name}” and “${icon.name}” would both be the file ${path}: rename one of them.`
          : `Two files would be ${path}: choose another pattern of names.`,
        icon && other.icon && icon !== other.icon ? freeName(icon.name, names) : undefined,
      )
    if (path.length > LONGEST)
      say('long', `The path ${path.slice(0, 60)}… is longer than the ${LONGEST} characters that every system takes.`)
    for (const part of path.split('/')) {
      const parsed = IconName.safeParse(part)
      if (parsed.success) continue
      // Where the name itself is the fault, as a device’s is, no pattern of names is.
      const isName = icon && !IconName.safeParse(part.replace(/\..*$/, '')).success
      say(
        'part',
        `${path}: ${parsed.error.issues[0]!.message}`,
        isName && !usualNames(file.target, delivery).mend ? freeName(`${icon.name} icon`, names) : undefined,
      )
    }
  }
  return [...faults.values()]
}

/** The way back to the names that a target usually gives, where others can be chosen. */
function usualNames(id: string, delivery: Delivery | undefined): { mend?: Fault['mend'] } {
  const target = TARGETS.find((one) => one.id === id)!,
    chosen = optionsOf(target, delivery)
  const options = Object.fromEntries(
    ['case', 'pattern'].flatMap((key) => {
      const usual = target.choices[key]?.usual
      return usual !== undefined && usual !== chosen[key] ? [[key, usual]] : []
    }),
  )
  return Object.keys(options).length > 0 ? { mend: { word: 'take the usual names', target: id, options } } : {}
}

/** What speaks against an icon at some targets, beside its name. */
export function targetFaultsOf(portrait: Portrait, family: Family, targets: Iterable<string>): Fault[] {
  const { icon } = portrait
  const isApp = appsOf(family).some(({ id }) => id === icon.id)
  return chosen(targets).flatMap((target) =>
    target.isForApps && !isApp
      ? []
      : (target.faults?.(portrait, optionsOf(target, family.delivery)) ?? []).map(
          ({ sentence, isError, mend }): Fault => ({
            sentence: `${target.platform}, ${target.name}: “${icon.name}” ${sentence}`,
            isError,
            icon: icon.id,
            ...(mend && { mend: { ...mend, target: target.id } }),
          }),
        ),
  )
}
