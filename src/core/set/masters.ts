import { type Memory, remembered } from '../drawing/evaluate/memory'
import type { DrawingObject } from '../drawing/model/object'
import { baseFor, bookAt } from '../rules/book'
import { scaled } from '../rules/fit/brought'
import { fitted } from '../rules/fit/fit'
import type { Flaw } from '../rules/fit/flaws'
import type { Rules } from '../rules/rules'
import { type Conflict, mergedObjects } from './merge'
import { type Icon, type Master, masterFor } from './set'

/** A derived drawing, whether its edges were fitted to whole places, and the flaws that fitting left. */
type Derived = {
  readonly objects: readonly DrawingObject[]
  readonly isFitted: boolean
  readonly flaws: readonly Flaw[]
}

const derivations: Memory<Rules, object, Derived> = new WeakMap()

/** A drawing of the set's grid brought to another of its grids: fitted, or only scaled where the rules say so. Remembered. */
export function derivedFrom(objects: readonly DrawingObject[], rules: Rules, base: number): Derived {
  const book = bookAt(rules, base)
  return remembered(derivations, book, objects, () => {
    const isPlain = rules.masters?.find((one) => one.base === base)?.unfitted === true
    return isPlain
      ? { objects: scaled(objects, rules, book), isFitted: false, flaws: [] }
      : fitted(objects, rules, book)
  })
}

/** How a master of an icon comes about. */
export type Standing =
  /** It is the one that others are derived from. */
  | { readonly by: 'hand'; readonly isMain: boolean }
  /**
   * It is derived. `isChanged`: it was also changed by hand. `isFitted`: its edges were fitted to whole places. `flaws`: where
   * fitting made another picture of it.
   */
  | {
      readonly by: 'derivation'
      readonly isFitted: boolean
      readonly flaws: readonly Flaw[]
      readonly isChanged: boolean
      readonly conflicts: readonly Conflict[]
    }

type Placed = { readonly master: Master; readonly standing: Standing }

const placed: Memory<Rules, Icon['masters'], Map<number, Placed>> = new WeakMap()

/**
 * The master of an icon on one of the set's grids, and how it comes about: drawn for that grid, or derived from the main
 * master and merged with changes made by hand. Remembered by the icon's masters and the rules.
 */
export function masterOn(icon: Pick<Icon, 'masters'>, rules: Rules, base: number): Placed {
  const known = remembered(placed, rules, icon.masters, () => new Map<number, Placed>())
  let one = known.get(base)
  if (!one) known.set(base, (one = place(icon, rules, base)))
  return one
}

function place(icon: Pick<Icon, 'masters'>, rules: Rules, base: number): Placed {
  const main = masterFor(icon)
  const stored = icon.masters.find((one) => one.base === base)
  if (stored && !stored.from) return { master: stored, standing: { by: 'hand', isMain: stored === main } }
  const { objects, isFitted, flaws } = derivedFrom(main.objects, rules, base)
  if (!stored?.from)
    return {
      master: { base, objects: objects as DrawingObject[] },
      standing: { by: 'derivation', isFitted, flaws, isChanged: false, conflicts: [] },
    }
  const { conflicts, ...drawn } = mergedObjects(stored.from, stored.objects, objects)
  return {
    master: { ...stored, objects: drawn.objects as DrawingObject[], from: drawn.from as DrawingObject[] },
    standing: { by: 'derivation', isFitted, flaws, isChanged: true, conflicts },
  }
}

/** A master as it is stored once it was changed by hand: together with the drawing that was derived for it. */
export function touched(icon: Pick<Icon, 'masters'>, rules: Rules, base: number): Master {
  const { master, standing } = masterOn(icon, rules, base)
  return standing.by === 'hand' || master.from ? master : { ...master, from: master.objects }
}

/** The drawing that a picture of an icon is made from, on the grid that fits the picture's size, and the rules on that grid. */
export type Drawing = { readonly objects: readonly DrawingObject[]; readonly rules: Rules }

export function drawingFor(icon: Pick<Icon, 'masters'>, rules: Rules, size: number): Drawing {
  return drawingOn(icon, rules, baseFor(rules, size))
}

export const drawingOn = (icon: Pick<Icon, 'masters'>, rules: Rules, base: number): Drawing => ({
  objects: masterOn(icon, rules, base).master.objects,
  rules: bookAt(rules, base),
})
