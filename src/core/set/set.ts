import { z } from 'zod'
import { namesUsed, type ValueKind } from '../drawing/objects/visit'
import { Accepted } from '../drawing/model/accepted'
import { Guide } from '../drawing/model/guide'
import { DrawingObject } from '../drawing/objects/object'
import { Pin } from '../rules/fit/pin'
import { Reference } from '../drawing/model/reference'
import { countObjects, walk } from '../drawing/objects/tree'
import { hasValue } from '../rules/renames'
import { Rules } from '../rules/rules'
import { IconName, nameKey, SetName } from './names'
import { Delivery } from './settings'

/** The most that one set may hold. With more the bench would no longer answer in time. */
export const LIMITS = {
  icons: 6000,
  objectsInIcon: 20_000,
  objectsInSet: 200_000,
  nodesInSet: 600_000,
  depth: 32,
} as const

/** Another drawing of an icon, kept beside it under a name. */
export const Alternative = z.strictObject({
  name: z.string().trim().min(1, 'An alternative needs a name.').max(40),
  objects: z.array(DrawingObject),
})

/**
 * The drawing of an icon for one base size: a grid of `base` units. `title` is what the drawing is called among its
 * alternatives. With `from` it was derived from the icon's first master, as that, and changed by hand since.
 */
export const Master = z.strictObject({
  base: z.int().min(4).max(2048),
  objects: z.array(DrawingObject),
  from: z.array(DrawingObject).optional(),
  guides: z.array(Guide).max(200, 'An icon may have at most 200 guides.').optional(),
  references: z.array(Reference).max(50, 'An icon may have at most 50 references.').optional(),
  /** Snags that a person accepted. */
  accepted: z.array(Accepted).max(500).optional(),
  /** Pins set by hand in a derived master. */
  pins: z.array(Pin).max(200, 'A master may have at most 200 pins.').optional(),
  title: z.string().min(1).max(40).optional(),
  alternatives: z.array(Alternative).max(20, 'An icon may have at most 20 alternatives.').optional(),
})

/** A word that an icon is found by. */
const Word = z
  .string()
  .trim()
  .min(1, 'A word has at least one character.')
  .max(40, 'A word has at most 40 characters.')
  .refine((word) => !word.includes(','), 'A word cannot contain a comma.')

const IconId = z.string().regex(/^[a-z0-9-]{1,40}$/, 'An id has at most 40 lower-case letters, digits and hyphens.')

/**
 * What becomes of an icon where text runs from right to left: its mirror image, as arrows and lines of text; the same, as
 * clocks and checks; or another icon of the set, by its id.
 */
const RightToLeft = z.union([z.enum(['mirrored', 'kept']), z.strictObject({ icon: IconId })])
export type RightToLeft = z.infer<typeof RightToLeft>

/** Labels of an icon beside its name: tags, other names, and its right-to-left form. */
export const Labels = z.strictObject({
  tags: z.array(Word).max(40, 'An icon may have at most 40 tags.').optional(),
  aliases: z.array(Word).max(40, 'An icon may have at most 40 other names.').optional(),
  rtl: RightToLeft.optional(),
})
export type Labels = z.infer<typeof Labels>

export const Icon = z.strictObject({
  id: IconId,
  name: IconName,
  ...Labels.shape,
  masters: z.array(Master).min(1).max(16),
})

/** A family of icons under one set of rules. */
export const IconSet = z.strictObject({
  name: SetName,
  kind: z.enum(['interface', 'app']),
  rules: Rules,
  delivery: Delivery.optional(),
  icons: z.array(Icon).max(LIMITS.icons),
})

export type Alternative = z.infer<typeof Alternative>
export type Master = z.infer<typeof Master>
export type Icon = z.infer<typeof Icon>
export type IconSet = z.infer<typeof IconSet>

/** The master on the set's own grid, which those on its other grids are derived from. */
export const masterFor = ({ masters }: Pick<Icon, 'masters'>): Master => masters[0]!

const NO_GUIDES: readonly Guide[] = []

/** The guides a master is drawn by. */
export const guidesOf = ({ guides }: Master): readonly Guide[] => guides ?? NO_GUIDES

const NO_REFERENCES: readonly Reference[] = []

/** The pictures a master is drawn by. */
export const referencesOf = ({ references }: Master): readonly Reference[] => references ?? NO_REFERENCES

const NO_ALTERNATIVES: readonly Alternative[] = []

/** The other drawings that are kept beside a master's own. */
export const alternativesOf = ({ alternatives }: Master): readonly Alternative[] => alternatives ?? NO_ALTERNATIVES

const NO_PINS: readonly Pin[] = []

/** The pins of a derived master. */
export const pinsOf = ({ pins }: Master): readonly Pin[] => pins ?? NO_PINS

const NOTHING_ACCEPTED: readonly Accepted[] = []

/** The accepted snags of a master. */
export const acceptedIn = ({ accepted }: Master): readonly Accepted[] => accepted ?? NOTHING_ACCEPTED

const NO_WORDS: readonly string[] = []
export const tagsOf = ({ tags }: Pick<Icon, 'tags'>): readonly string[] => tags ?? NO_WORDS
export const aliasesOf = ({ aliases }: Pick<Icon, 'aliases'>): readonly string[] => aliases ?? NO_WORDS

/** What a master's drawing is called among its alternatives. */
export const titleOf = ({ title }: Master): string => title ?? 'first'

/**
 * What a schema cannot see about one icon of a set, as sentences; none when all is well. `isKnown` says which named values
 * a drawing may refer to.
 */
export function iconProblems(
  icon: Icon,
  rules: Rules,
  isKnown: (kind: ValueKind, name: string) => boolean = (kind, name) => hasValue(rules, kind, name),
): string[] {
  const problems: string[] = []
  const bases = icon.masters.map(({ base }) => base)
  if (bases[0] !== rules.grid.size)
    problems.push(`Icon “${icon.name}” has a ${bases[0]} master first, but the grid is ${rules.grid.size}.`)
  for (const base of new Set(bases.filter((base, i) => bases.indexOf(base) !== i)))
    problems.push(`Icon “${icon.name}” has two ${base} masters.`)
  const drawings = icon.masters.flatMap(({ objects, from = [], alternatives = [] }) => {
    const ids = new Set<string>()
    return [
      { objects, ids },
      { objects: from, ids: new Set<string>() },
      ...alternatives.map((one) => ({ objects: one.objects, ids })),
    ]
  })
  for (const { objects, ids } of drawings) {
    if (countObjects(objects) > LIMITS.objectsInIcon) {
      problems.push(`Icon “${icon.name}” has more than ${LIMITS.objectsInIcon} objects.`)
      continue
    }
    for (const { object, parents } of walk(objects)) {
      if (ids.has(object.id)) problems.push(`Icon “${icon.name}” has two objects with the id “${object.id}”.`)
      ids.add(object.id)
      if (parents.length >= LIMITS.depth)
        problems.push(`Icon “${icon.name}” nests objects more than ${LIMITS.depth} deep.`)
      for (const { kind, name } of namesUsed(object)) {
        if (!isKnown(kind, name)) {
          problems.push(
            `Icon “${icon.name}”, object “${object.name}” uses the ${kind} “${name}”, which the rules do not have.`,
          )
        }
      }
    }
  }
  return problems
}

/** Problems of a whole set that its schema cannot express, as sentences. */
export function setProblems(set: IconSet): string[] {
  const problems = set.icons.flatMap((icon) => iconProblems(icon, set.rules))
  const ids = new Set<string>(),
    names = new Set<string>()
  for (const { id, name } of set.icons) {
    if (ids.has(id)) problems.push(`Two icons have the id “${id}”.`)
    if (names.has(nameKey(name))) problems.push(`Two icons are named “${name}”.`)
    ids.add(id)
    names.add(nameKey(name))
  }
  return problems
}
