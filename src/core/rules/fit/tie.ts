import { distance, type Point } from '../../geometry/point'
import type { Form, Spot } from './form'
import { sumOf } from './form'
import { type Pin, type TieKind, type TiePin, tiePinsOf } from './pin'
import { missedBy, type Relation } from './solve'
import { HARD } from './weights'

/** A relation of places that a person may hold or release: its kind, and the place where it is shown. */
type Tie = { readonly kind: TieKind; readonly spot: Spot }

/** Relations that belong to a tie. */
export type Tied = { readonly tie: Tie; readonly relations: readonly Relation[] }

/** What became of a tie: `at` on the set's grid, `place` on the derived one. */
export type HeldTie = {
  readonly kind: TieKind
  readonly at: Point
  readonly place: Point
  /** It is `in-vain` where a person holds to it and something stronger keeps it from holding. */
  readonly state: 'pinned' | 'in-vain' | 'let-go' | 'holds' | 'missed'
}

/** Ties of one kind that are nearer than this, in units of the set's grid, are one. */
const ONE_PLACE = 0.05

/** By how much a tie may be missed, in units of the other grid, and still be said to hold: a slant by more. */
const UNSEEN = 0.02,
  UNSEEN_SLANT = 0.1

/** The pin that a tie has. */
export const tiePinAt = (pins: readonly Pin[], kind: TieKind, at: Point): TiePin | undefined =>
  tiePinsOf(pins).findLast((pin) => pin.tie === kind && distance(pin.at, at) <= ONE_PLACE)

/** Pins with another for one tie; without any for it where that is null. */
export const withTiePin = (
  pins: readonly Pin[],
  { kind, at }: Pick<HeldTie, 'kind' | 'at'>,
  kept: boolean | null,
): Pin[] => [
  ...pins.filter((pin) => !('tie' in pin) || pin.tie !== kind || distance(pin.at, at) > ONE_PLACE),
  ...(kept === null ? [] : [{ tie: kind, at, kept }]),
]

/** A place between two others, or beyond them, by its share of the way from the first to the second. */
export const between = (a: Spot, b: Spot, share: number): Spot => {
  const on = (p: Form, q: Form) =>
    sumOf([
      [1 - share, p],
      [share, q],
    ])
  const along = (from: number, to: number) => (1 - share) * from + share * to
  return { was: { x: along(a.was.x, b.was.x), y: along(a.was.y, b.was.y) }, x: on(a.x, b.x), y: on(a.y, b.y) }
}

/**
 * The relations that are left of ties where a person held to some and let others go: those held to yield to nothing but
 * to edges that are pinned.
 */
export const relationsLeft = (ties: readonly Tied[], pins: readonly Pin[]): Relation[] =>
  ties.flatMap(({ tie, relations }) => {
    const pin = tiePinAt(pins, tie.kind, tie.spot.was)
    if (!pin) return relations
    return pin.kept ? relations.map((one) => ({ ...one, weight: HARD })) : []
  })

/** What became of ties, those at one place as one. */
export function heldTies(
  ties: readonly Tied[],
  pins: readonly Pin[],
  values: ArrayLike<number>,
  placed: (spot: Spot) => Point,
): HeldTie[] {
  const found: (Omit<HeldTie, 'state'> & { missed: number })[] = []
  for (const { tie, relations } of ties) {
    const { kind, spot } = tie
    const missed = Math.max(0, ...relations.map((one) => Math.abs(missedBy(one, values))))
    const known = found.find((one) => one.kind === kind && distance(one.at, spot.was) <= ONE_PLACE)
    if (known) known.missed = Math.max(known.missed, missed)
    else found.push({ kind, at: spot.was, place: placed(spot), missed })
  }
  return found.map(({ missed, ...tie }): HeldTie => {
    const pin = tiePinAt(pins, tie.kind, tie.at)
    if (pin && !pin.kept) return { ...tie, state: 'let-go' }
    const isMissed = missed > (tie.kind === 'slant' && !pin ? UNSEEN_SLANT : UNSEEN)
    return { ...tie, state: pin ? (isMissed ? 'in-vain' : 'pinned') : isMissed ? 'missed' : 'holds' }
  })
}
