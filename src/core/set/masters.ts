import { type Memory, remembered } from '../drawing/scene/memory'
import { same } from '../drawing/model/same'
import type { DrawingObject } from '../drawing/objects/object'
import { baseFor, rulesForGrid } from '../rules/rules-for-grid'
import { scaled } from '../rules/fit/brought'
import { fitted } from '../rules/fit/fit'
import type { FitLoss } from '../rules/fit/fit-losses'
import type { CoordinateState } from '../rules/fit/coordinate-state'
import type { Pin } from '../rules/fit/pin'
import type { HeldTie } from '../rules/fit/tie'
import type { Rules } from '../rules/rules'
import { type Conflict, mergedObjects } from './merge'
import { type Icon, type Master, masterFor } from './set'

/** A derived drawing, whether its edges were fitted to whole places, and the losses that fitting left. */
type Derived = {
  readonly objects: readonly DrawingObject[]
  readonly isFitted: boolean
  readonly losses: readonly FitLoss[]
  readonly held: readonly CoordinateState[]
  readonly ties: readonly HeldTie[]
}

const derivations: Memory<Rules, object, Derived> = new WeakMap()

/** A drawing of the set's grid brought to another of its grids: fitted, or only scaled where the rules say so. Remembered. */
export function derivedFrom(
  objects: readonly DrawingObject[],
  rules: Rules,
  base: number,
  pins: readonly Pin[] = [],
): Derived {
  const book = rulesForGrid(rules, base)
  const isPlain = rules.masters?.find((one) => one.base === base)?.unfitted === true
  if (isPlain || pins.length === 0)
    return remembered(derivations, book, objects, () =>
      isPlain
        ? { objects: scaled(objects, rules, book), isFitted: false, losses: [], held: [], ties: [] }
        : fitted(objects, rules, book),
    )
  const known = remembered(pinnedDerivations, pins, objects, () => ({ now: null }) as { now: PinnedDerivation | null })
  if (known.now?.book !== book) known.now = { book, derived: fitted(objects, rules, book, pins) }
  return known.now.derived
}

type PinnedDerivation = { readonly book: Rules; readonly derived: Derived }
const pinnedDerivations: Memory<readonly Pin[], object, { now: PinnedDerivation | null }> = new WeakMap()

/** How a master of an icon comes about. */
export type Standing =
  /** It is the one that others are derived from. */
  | { readonly by: 'hand'; readonly isMain: boolean }
  /**
   * It is derived. `isChanged`: its drawing was also changed by hand. `isFitted`: its edges were fitted to whole places. `losses`: where
   * fitting made another picture of it. `held`, `ties`: what became of its edges, and of what relates them.
   */
  | {
      readonly by: 'derivation'
      readonly isFitted: boolean
      readonly losses: readonly FitLoss[]
      readonly held: readonly CoordinateState[]
      readonly ties: readonly HeldTie[]
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
  const { objects, isFitted, losses, held, ties } = derivedFrom(main.objects, rules, base, stored?.pins)
  if (!stored?.from)
    return {
      master: { base, objects: objects as DrawingObject[] },
      standing: { by: 'derivation', isFitted, losses, held, ties, isChanged: false, conflicts: [] },
    }
  const { conflicts, ...drawn } = mergedObjects(stored.from, stored.objects, objects)
  return {
    master: { ...stored, objects: drawn.objects as DrawingObject[], from: drawn.from as DrawingObject[] },
    standing: {
      by: 'derivation',
      isFitted,
      losses,
      held,
      ties,
      isChanged: !same(stored.from, stored.objects),
      conflicts,
    },
  }
}

/**
 * The drawing derived from the main master for a grid that has a master drawn by hand, for comparison. Null if there is
 * none.
 */
export function mainOn(icon: Pick<Icon, 'masters'>, rules: Rules, base: number): readonly DrawingObject[] | null {
  const { standing } = masterOn(icon, rules, base)
  if (standing.by !== 'hand' || standing.isMain) return null
  return derivedFrom(masterFor(icon).objects, rules, base).objects
}

/** A master with a change by hand, as stored: together with the derived drawing it started from. */
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
  rules: rulesForGrid(rules, base),
})
