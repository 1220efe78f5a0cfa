import { walk } from '../drawing/model/tree'
import type { DrawingObject } from '../drawing/model/object'
import type { Style } from '../drawing/model/style'
import { INK } from '../drawing/model/values'
import { namesUsed, type ValueKind, withStyleNames } from '../drawing/model/visit'
import { LISTS } from '../rules/lists'
import { namesIn } from '../rules/sums'
import type { IconSet } from './set'

/** A named value of the rules that nothing in the set refers to. */
type Unused = { readonly kind: ValueKind; readonly name: string }

const known = new WeakMap<IconSet, readonly Unused[]>()

/**
 * The named values that no drawing of a set refers to, alternatives and parts included, and no other value of the rules.
 * The icons’ own colour is never among them, nor what comes from rules that these follow. Remembered.
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
  const noteAll = (objects: readonly DrawingObject[]) => {
    for (const { object } of walk(objects)) for (const { kind, name } of namesUsed(object)) note(kind, name)
  }
  for (const { masters } of icons)
    for (const { objects, from = [], alternatives = [] } of masters)
      for (const list of [objects, from, ...alternatives.map((one) => one.objects)]) noteAll(list)
  for (const { objects } of rules.parts ?? []) noteAll(objects as readonly DrawingObject[])
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
