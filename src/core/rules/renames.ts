import { mapObjects } from '../drawing/tree'
import type { DrawingObject } from '../drawing/object'
import { type ValueKind, withNames } from '../drawing/visit'
import { LISTS } from './lists'
import type { Rules } from './rules'

/** A named value that goes by another name from now on. */
export type Rename = { readonly kind: ValueKind; readonly from: string; readonly to: string }

/** The drawing with its references renamed, all at once, so that two names may be exchanged. */
export function renameValues(objects: readonly DrawingObject[], renames: readonly Rename[]): DrawingObject[] {
  const to = new Map(renames.map(({ kind, from, to }) => [`${kind} ${from}`, to]))
  if (to.size === 0) return objects as DrawingObject[]
  return mapObjects(objects, (object) => withNames(object, (kind, name) => to.get(`${kind} ${name}`) ?? name))
}

/** True when the rules have a value of that kind and name. */
export const hasValue = (rules: Rules, kind: ValueKind, name: string): boolean =>
  (rules[LISTS[kind]] ?? []).some((value) => value.name === name)
