import { keepingCodes } from './code-points'
import { type MergedSet, onGridOf } from './merge-set'
import { iconPart, type SetConflict } from './merge-icon'
import type { Icon, IconSet, Master } from './set'
import { find } from '../drawing/objects/tree'
import { settledConflict } from './settle'

/**
 * Resolves a conflict of a merged set with the own value or with that of the other side (`theirs`). Returns the set and
 * its new merge base.
 */
export function settledIn(
  { set, base }: Pick<MergedSet, 'set' | 'base'>,
  theirs: IconSet,
  conflict: SetConflict,
  keep: 'mine' | 'theirs',
): Pick<MergedSet, 'set' | 'base'> {
  const { part, key } = conflict
  const whole = {
    set: keep === 'theirs' ? withPart(set, onGridOf(theirs, set.rules), conflict) : set,
    base: withPart(base, theirs, conflict),
  }
  if (conflict.object === null || key === 'all') return whole
  const [mine, was, other] = [set, base, theirs].map((side) => drawingIn(side, conflict))
  if (!mine || !was || !other) return whole
  const settled = settledConflict({ objects: mine.objects, from: was.objects }, other.objects, conflict as never, keep)
  return {
    set: withDrawing(set, part, mine, settled.objects),
    base: withDrawing(base, part, was, settled.from),
  }
}

/** A set with what another has in the place of a conflict. */
function withPart(set: IconSet, theirs: IconSet, { part, master, key }: SetConflict): IconSet {
  switch (part) {
    case 'name':
      return { ...set, name: theirs.name }
    case 'delivery':
      return keepingCodes({ ...set, delivery: theirs.delivery ?? {} }, set)
    case 'rules':
      return { ...set, rules: key === 'all' ? theirs.rules : withKey(set.rules, theirs.rules, key) }
  }
  const other = theirs.icons.find(({ id }) => iconPart(id) === part)
  if (!other) return set
  const taken = (icon: Icon): Icon => {
    if (key === 'all') return other
    if (master === null) return withKey(icon, other, key)
    const from = other.masters.find(({ base }) => base === master)
    return from
      ? { ...icon, masters: icon.masters.map((one) => (one.base === master ? withKey(one, from, key) : one)) }
      : icon
  }
  const has = set.icons.some(({ id }) => iconPart(id) === part)
  return {
    ...set,
    icons: has ? set.icons.map((icon) => (iconPart(icon.id) === part ? taken(icon) : icon)) : [...set.icons, other],
  }
}

function withKey<T extends object>(record: T, from: T, key: string): T {
  const { [key]: _, ...rest } = record as Record<string, unknown>
  const value = (from as Record<string, unknown>)[key]
  return { ...rest, ...(value !== undefined && { [key]: value }) } as T
}

/** A drawing of a master, by its place among its alternatives; null is the one that is shown. */
type DrawingAt = { readonly master: number; readonly alternative: string | null; readonly objects: Master['objects'] }

/** The drawing that a conflict is in: the one that has its object. */
function drawingIn(set: IconSet, { part, master, object }: SetConflict): DrawingAt | null {
  const one = set.icons.find(({ id }) => iconPart(id) === part)?.masters.find(({ base }) => base === master)
  if (!one || object === null) return null
  const all = [
    { alternative: null, objects: one.objects },
    ...(one.alternatives ?? []).map(({ name, objects }) => ({ alternative: name, objects })),
  ]
  const at = all.find(({ objects }) => find(objects, object)) ?? all[0]!
  return { master: one.base, ...at }
}

function withDrawing(set: IconSet, part: string, at: DrawingAt, objects: readonly unknown[]): IconSet {
  const next = objects as Master['objects']
  const changed = (master: Master): Master => {
    if (master.base !== at.master) return master
    if (at.alternative === null) return { ...master, objects: next }
    return {
      ...master,
      alternatives: master.alternatives!.map((one) => (one.name === at.alternative ? { ...one, objects: next } : one)),
    }
  }
  return {
    ...set,
    icons: set.icons.map((icon) =>
      iconPart(icon.id) === part ? { ...icon, masters: icon.masters.map(changed) } : icon,
    ),
  }
}
