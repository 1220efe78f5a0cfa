import { mapObjects } from '../drawing/objects/tree'
import type { Style } from '../drawing/model/style'
import type { DrawingObject } from '../drawing/objects/object'
import { type Naming, type ValueKind, withNames, withStyleNames } from '../drawing/objects/visit'
import { LISTS } from './lists'
import type { Rules } from './rules'

/** The new name of a named value. */
export type Rename = { readonly kind: ValueKind; readonly from: string; readonly to: string }

/** Replaces all names at once, so that two names can be swapped. */
function naming(renames: readonly Rename[]): Naming {
  const to = new Map(renames.map(({ kind, from, to }) => [`${kind} ${from}`, to]))
  return (kind, name) => to.get(`${kind} ${name}`) ?? name
}

/** The drawing with its references renamed. */
export function renameValues(objects: readonly DrawingObject[], renames: readonly Rename[]): DrawingObject[] {
  if (renames.length === 0) return objects as DrawingObject[]
  const name = naming(renames)
  return mapObjects(objects, (object) => withNames(object, name))
}

/** A style with its references renamed. */
export const renameInStyle = (style: Style, renames: readonly Rename[]): Style => withStyleNames(style, naming(renames))

/** True when the rules have a value of that kind and name. */
export const hasValue = (rules: Rules, kind: ValueKind, name: string): boolean =>
  (rules[LISTS[kind]] ?? []).some((value) => value.name === name)

/** Whether rules still have every earlier named value, under its new name. */
export function keepsNames(before: Rules, after: Rules, renames: readonly Rename[]): boolean {
  const name = naming(renames),
    kinds = Object.keys(LISTS) as ValueKind[]
  return kinds.every((kind) => (before[LISTS[kind]] ?? []).every((one) => hasValue(after, kind, name(kind, one.name))))
}
