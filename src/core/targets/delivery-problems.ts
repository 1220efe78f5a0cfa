import type { OptionsMend, Problem } from '../findings/problem'
import { freeName, IconName, nameKey } from '../set/names'
import type { Delivery } from '../set/settings'
import { optionsOf } from './options'
import { appsOf, named, type PlannedFile } from './plan'
import type { IconRenderer } from './icon-renderer'
import { type Steps } from './steps'
import type { Family } from './target'
import { TARGETS } from './targets'

/** How many files are looked at in one step. */
const STRETCH = 256

/** The longest path that every system and archive takes. */
const LONGEST = 180

/** How much of both ends of a part of a path is looked at: a file may have a longer name than an icon. */
const ENDS = 40

const shortened = (part: string): string => (part.length > 2 * ENDS ? part.slice(0, ENDS) + part.slice(-ENDS) : part)

/**
 * Problems of the planned paths: two equal ones, names that a system refuses, long ones; each with a mend if there is
 * one.
 */
export function* pathProblemsIn(
  files: readonly PlannedFile[],
  delivery: Delivery | undefined,
): Steps<(Problem & { readonly target: string })[]> {
  const seen = new Map<string, PlannedFile>()
  const problems = new Map<string, Problem & { readonly target: string }>(),
    refused = new Map<string, string | null>()
  const names = () => [...new Set(files.flatMap(({ icon }) => (icon ? [icon.name] : [])))]
  for (const [i, file] of files.entries()) {
    if (i % STRETCH === 0) yield
    const { path, icon } = file,
      key = nameKey(path),
      other = seen.get(key)
    seen.set(key, other ?? file)
    const say = (about: string, sentence: string, rename?: string) => {
      const at = `${about} ${file.target} ${icon?.id ?? path}`
      if (!problems.has(at))
        problems.set(at, {
          sentence,
          isError: true,
          target: file.target,
          ...(icon && { icon: icon.id }),
          ...(rename !== undefined && { rename }),
          ...(rename === undefined && usualNames(file.target, delivery)),
        })
    }
    if (other)
      say(
        'clash',
        icon && other.icon && icon !== other.icon
          ? `“${other.icon.name}” and “${icon.name}” would both be the file ${path}: rename one of them.`
          : `Two files would be ${path}: choose another pattern of names.`,
        icon && other.icon && icon !== other.icon ? freeName(icon.name, names()) : undefined,
      )
    if (path.length > LONGEST)
      say('long', `The path ${path.slice(0, 60)}… is longer than the ${LONGEST} characters that every system takes.`)
    for (const part of path.split('/')) {
      let why = refused.get(part)
      if (why === undefined)
        refused.set(part, (why = IconName.safeParse(shortened(part)).error?.issues[0]!.message ?? null))
      if (why === null) continue
      // Where the name itself is the fault, as a device’s is, no pattern of names is.
      const isName = icon && !IconName.safeParse(part.replace(/\..*$/, '')).success
      say(
        'part',
        icon ? `“${icon.name}” would be the file ${path}. ${why}` : `${path}: ${why}`,
        isName && !usualNames(file.target, delivery).mend ? freeName(`${icon.name} icon`, names()) : undefined,
      )
    }
  }
  return [...problems.values()]
}

/** Icons that would be called alike in files of a whole set, at some targets. */
export function* callProblemsIn(
  family: Family,
  targets: Iterable<string>,
): Steps<(Problem & { readonly target: string; readonly icon: string })[]> {
  const problems: (Problem & { readonly target: string; readonly icon: string })[] = []
  for (const target of named(targets)) {
    yield
    const options = optionsOf(target, family.delivery),
      seen = new Map<string, string>()
    for (const icon of family.icons) {
      const called = target.called?.(icon, options, family)
      if (called == null) continue
      const key = nameKey(called),
        other = seen.get(key)
      if (other === undefined) seen.set(key, icon.name)
      else
        problems.push({
          sentence: `“${other}” and “${icon.name}” would both be called ${called}: rename one of them.`,
          isError: true,
          target: target.id,
          icon: icon.id,
          rename: freeName(
            icon.name,
            family.icons.map(({ name }) => name),
          ),
          ...usualNames(target.id, family.delivery),
        })
    }
  }
  return problems
}

/** The way back to the names that a target usually gives, where others can be chosen. */
function usualNames(id: string, delivery: Delivery | undefined): { mend?: OptionsMend } {
  const target = TARGETS.find((one) => one.id === id)!,
    chosen = optionsOf(target, delivery)
  const options = Object.fromEntries(
    ['case', 'pattern'].flatMap((key) => {
      const usual = target.choices[key]?.usual
      return usual !== undefined && usual !== chosen[key] ? [[key, usual]] : []
    }),
  )
  return Object.keys(options).length > 0 ? { mend: { word: 'use the default names', target: id, options } } : {}
}

/** Problems of an icon at some targets, beside those of its name. */
export function targetProblemsOf(renderer: IconRenderer, family: Family, targets: Iterable<string>): Problem[] {
  const { icon } = renderer
  const isApp = appsOf(family).some(({ id }) => id === icon.id)
  return named(targets).flatMap((target) =>
    target.isForApps && !isApp
      ? []
      : (target.problems?.(renderer, optionsOf(target, family.delivery)) ?? []).map(
          ({ sentence, isError, mend }): Problem => ({
            sentence: `${target.platform}, ${target.name}: “${icon.name}” ${sentence}`,
            isError,
            icon: icon.id,
            ...(mend && { mend }),
          }),
        ),
  )
}
