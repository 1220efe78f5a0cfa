import type { Figure } from './figure'
import type { Point } from '../../geometry/point'
import { constant, type Form, sumOf } from './form'
import type { AxisFit } from './axis-fit'
import { across, AXES, type Axis, type Mark, type Marks } from './mark'
import { SAME } from './coordinates'
import { HARD } from './weights'
import { letsGoOfMirror, ONE, type Pin, pinAt } from './pin'
import { areEven } from './problem'
import { missedBy, type Relation, solved } from './solve'

/** A coordinate at which edges are seen crisp, on the other grid; `strength` is how much of them. */
export type Crisp = {
  readonly axis: Axis
  readonly at: number
  readonly place: number
  readonly edges: readonly Mark[]
  readonly strength: number
}

/** How far a place of a figure is from the crisp coordinate that it is to lie at, which is to be 0; and where that is, on the other grid. */
export type Pinned = { readonly crisp: Crisp; readonly form: Form; readonly near: Point }

/** How much of one edge counts, in units of the set's grid. */
const MOST = 10
/** By how much a relation may be missed, in units of the other grid, without anyone seeing it. */
const UNSEEN = 5e-3
/** How much the end of a drawing counts that is not crisp: less than an edge, more than a short one. */
const SILHOUETTE = 1.5
/** A crisp place that is missed by less, in units of the other grid, is not what keeps a relation from holding. */
const PULLED = UNSEEN / 4
/** Crisp places missed by more than this share of the most missed one are in question. */
const IN_QUESTION = 1 / 3
/** How often something crisp may be let go for the relations’ sake. */
const GIVE = 24
/** The strength of what a person pinned: it never gives way. */
export const BY_HAND = Infinity
/** Strength of the mirror image of such a place: it is released after all found ones. */
const IMAGE = 1e6
/** The weight of such a place: what makes another picture where it is missed yields to it. */
const HELD = 1e3 * HARD
/** How strongly an unknown wishes to stay where its coordinates lead. */
const STAY = 0.05

/** Where edges are seen crisp or are pinned by hand, and where a drawing ends, along both axes, in order. */
export const crispPlaces = (
  marks: Marks,
  fits: Readonly<Record<Axis, AxisFit>>,
  scale: number,
  pins: readonly Pin[],
): Crisp[] =>
  AXES.flatMap((axis) => {
    const list = marks.marks[axis]
    const first = Math.min(...list.map(({ at, reach }) => at - reach[0].was)),
      last = Math.max(...list.map(({ at, reach }) => at + reach[1].was))
    const isOutermost = ({ at, reach: [low, high] }: Mark) => at - low.was < first + SAME || at + high.was > last - SAME
    const { coordinates } = fits[axis],
      isEven = areEven(coordinates, scale) && !letsGoOfMirror(pins, axis)
    const isImageOfPinned = (i: number) =>
      isEven && typeof pinAt(pins, axis, coordinates[coordinates.length - 1 - i]!, scale)?.to === 'number'
    return coordinates.flatMap((at, i): Crisp[] => {
      const place = fits[axis].places[i]!
      const here = list.filter((mark) => Math.abs(mark.at - at) * scale <= ONE)
      const pin = pinAt(pins, axis, at, scale)
      if (pin) return pin.to === null ? [] : [{ axis, at, place: pin.to, edges: here, strength: BY_HAND }]
      if (isImageOfPinned(i)) return [{ axis, at, place, edges: here, strength: IMAGE }]
      const edges = here.filter(({ length, edges: all }) => length > 0 && all.some((edge) => isWhole(place + edge)))
      const strength = edges.reduce((sum, { length }) => sum + Math.min(MOST, length), 0)
      if (edges.length > 0) return [{ axis, at, place, edges, strength }]
      // The silhouette keeps its size, within the live area.
      const outermost = here.filter(isOutermost)
      return outermost.length > 0 ? [{ axis, at, place, edges: outermost, strength: SILHOUETTE }] : []
    })
  })

/** The places of the figure at crisp edges. */
export function pinnedOf(figure: Figure, crisp: readonly Crisp[], scale: number): Pinned[] {
  return crisp.flatMap((one): Pinned[] => {
    const { axis, at, place, edges } = one,
      other = across(axis)
    const isHere = (value: number) => Math.abs(value - at) * scale <= ONE
    const isSeen = (from: number, to: number) => edges.some((mark) => to > mark.from - SAME && from < mark.to + SAME)
    return [
      ...figure.spots
        .filter(({ was }) => isHere(was[axis]) && isSeen(was[other], was[other]))
        .map((spot) => ({
          crisp: one,
          near: scaledPoint(spot.was, scale),
          form: sumOf([
            [1, spot[axis]],
            [-1, constant(place + (spot.was[axis] - at) * scale)],
          ]),
        })),
      ...figure.circles.flatMap(({ centre, r, was }) =>
        [-1, 1]
          .filter(
            (side) => isHere(centre.was[axis] + side * was) && isSeen(centre.was[other] - was, centre.was[other] + was),
          )
          .map((side) => ({
            crisp: one,
            near: { ...scaledPoint(centre.was, scale), [axis]: place },
            form: sumOf([
              [1, centre[axis]],
              [side, r],
              [-1, constant(place)],
            ]),
          })),
      ),
    ]
  })
}

const scaledPoint = ({ x, y }: Point, scale: number): Point => ({ x: x * scale, y: y * scale })

const isWhole = (value: number): boolean => Math.abs(value - Math.round(value)) < 1e-6

/**
 * The values of the unknowns by which all relations hold, with the crisp places fixed that they leave room for: where
 * both cannot be, the weakest crisp place in question gives way, one after the other. What gave way goes into `loose`.
 */
export function settledValues(
  begin: readonly number[],
  relations: readonly Relation[],
  pinned: readonly Pinned[],
  loose: Set<Crisp>,
): Float64Array {
  const stay = begin.map(() => STAY)
  for (let round = 0; ; round++) {
    const pins = pinned
      .filter(({ crisp }) => !loose.has(crisp))
      .map(({ crisp, form }): Relation & { crisp: Crisp } => ({
        kind: 'sum',
        weight: crisp.strength < BY_HAND ? HARD : HELD,
        crisp,
        form,
      }))
    const values = solved(begin, stay, [...relations, ...pins])
    // Values that are not finite are no solution: the initial values are used.
    if (!values.every(Number.isFinite)) return Float64Array.from(begin)
    if (round === GIVE) return values
    const worst = Math.max(
      ...relations.map((one) => (one.weight >= HARD ? Math.abs(missedBy(one, values)) : 0)),
      ...pins.map((one) => Math.abs(missedBy(one, values))),
      0,
    )
    if (worst < UNSEEN) return values
    // Those that are pulled away by the relations are in question.
    const asked = new Map<Crisp, number>()
    for (const pin of pins)
      if (pin.crisp.strength < BY_HAND)
        asked.set(pin.crisp, Math.max(asked.get(pin.crisp) ?? 0, Math.abs(missedBy(pin, values))))
    const most = Math.max(...asked.values(), 0)
    if (most < PULLED) return values
    const weakest = [...asked]
      .filter(([, away]) => away > IN_QUESTION * most)
      .map(([crisp]) => crisp)
      .reduce((least, one) => (one.strength < least.strength ? one : least))
    loose.add(weakest)
  }
}
