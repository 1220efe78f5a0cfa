import { walk } from '../drawing/objects/tree'
import type { DrawingObject } from '../drawing/objects/object'
import type { Style } from '../drawing/model/style'
import { INK } from '../drawing/model/values'
import { namesUsed, type ValueKind, withStyleNames } from '../drawing/objects/visit'
import { LISTS } from '../rules/lists'
import { namesIn } from '../rules/sums'
import type { IconSet, Master } from './set'

/** A named value of the rules that nothing in the set refers to. */
type Unused = { readonly kind: ValueKind; readonly name: string }

const known = new WeakMap<IconSet, readonly Unused[]>()

/**
 * Named values of a set that no drawing, alternative, part or other rule refers to. Excludes the colour of the icons
 * and values from followed rules. Memoised.
 */
export function unusedValues(set: IconSet): readonly Unused[] {
  let unused = known.get(set)
  if (!unused) known.set(set, (unused = searched(set)))
  return unused
}

function searched({ rules, icons }: IconSet): Unused[] {
  const used = new Set<string>([`swatch ${INK}`])
  const note = (kind: ValueKind, name: string) => {
    used.add(`${kind} ${name}`)
    return name
  }
  // New objects are drawn with the first weight.
  note('weight', rules.weights[0]!.name)
  for (const { masters } of icons) for (const key of usedInIcon(masters)) used.add(key)
  for (const { objects } of rules.parts ?? [])
    for (const key of usedIn(objects as readonly DrawingObject[])) used.add(key)
  for (const { style } of rules.finishes ?? []) withStyleNames(style as Style, note)
  for (const { stops } of rules.gradients ?? []) for (const { color } of stops) note('swatch', color)
  for (const { sum } of rules.radii)
    for (const name of sum ? namesIn(sum) : []) {
      note('radius', name)
      note('weight', name)
    }
  const own = new Set(rules.follows?.own)
  const isOwn = (list: string, name: string) => !rules.follows || own.has(`${list}/${name}`)
  return (Object.keys(LISTS) as ValueKind[]).flatMap((kind) =>
    (rules[LISTS[kind]] ?? []).flatMap(({ name }) =>
      used.has(`${kind} ${name}`) || !isOwn(LISTS[kind], name) ? [] : [{ kind, name }],
    ),
  )
}

const usedIn = (objects: readonly DrawingObject[]): string[] =>
  [...walk(objects)].flatMap(({ object }) => namesUsed(object).map(({ kind, name }) => `${kind} ${name}`))

const knownInIcons = new WeakMap<readonly Master[], ReadonlySet<string>>()

/** The values that all drawings of an icon refer to, by kind and name. Remembered: of many icons, few change at once. */
function usedInIcon(masters: readonly Master[]): ReadonlySet<string> {
  let names = knownInIcons.get(masters)
  if (!names) {
    names = new Set(
      masters.flatMap(({ objects, from = [], alternatives = [] }) =>
        [objects, from, ...alternatives.map((one) => one.objects)].flatMap(usedIn),
      ),
    )
    knownInIcons.set(masters, names)
  }
  return names
}
