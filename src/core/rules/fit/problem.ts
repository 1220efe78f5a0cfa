import type { AxisFit } from './axis-fit'
import { bestPlaces, evenPlaces, type Knot, type Placed, type Wish } from './best-places'
import { distinct, nearest, SAME } from './coordinates'
import type { Axis, Mark, Marks } from './mark'
import { letsGoOfMirror, ONE, pinAt } from './pin'
import {
  alikeSquares,
  centred,
  gapWishes,
  insideWishes,
  mirrorWishes,
  rowWishes,
  squareWishes,
  type Terms,
} from './wishes'

/**
 * Length of an edge, in units of the other grid, that costs one if it is not crisp, and the greatest cost of an edge.
 */
const LONG = 3,
  MOST = 2
/** How much it costs to lie a unit off where scaling would lead, squared. */
const SHIFT = 0.6
/**
 * The best places for all marks of an axis; `known` are those of the other axis, where they are known. Null where they
 * would not cost less than `below`.
 */
export function placedMarks(
  marks: Marks,
  axis: Axis,
  terms: Terms,
  known: AxisFit | null,
  below: number,
): AxisFit | null {
  const list = marks.marks[axis]
  const coordinates = distinct(
    list.map(({ at }) => at),
    ONE / terms.scale,
  )
  const index = (at: number) => nearest(coordinates, at)
  const isKnot = (at: number) => Math.abs(coordinates[index(at)]! - at) <= ONE / terms.scale
  const { scale } = terms
  const first = Math.min(...list.map(({ at, reach }) => at - reach[0].was)),
    last = Math.max(...list.map(({ at, reach }) => at + reach[1].was))
  const at: Mark[][] = coordinates.map(() => [])
  for (const mark of list) at[index(mark.at)]!.push(mark)
  const knots = coordinates.map((coordinate, i) => {
    const pin = pinAt(terms.pins, axis, coordinate, scale)
    return pin && pin.to !== null
      ? pinnedKnot(pin.to)
      : knotOf(coordinate, pin ? at[i]!.map(soft) : at[i]!, terms, { first, last })
  })
  const wishes = [
    ...gapWishes(list, index, terms),
    ...insideWishes(list, index, terms, { first, last }),
    ...marks.middles[axis].map(({ a, b, middle, weight }): Wish => ({
      knots: [index(a), index(b), index(middle)],
      factors: [1, 1, -2],
      value: 0,
      weight,
    })),
    ...rowWishes(marks, axis, index),
    ...mirrorWishes(
      terms.mirrors[axis].map((pairs) => pairs.filter((pair) => pair.every(isKnot))),
      index,
    ),
    ...(known ? squareWishes(marks, axis, index, known) : alikeSquares(marks, axis, index)),
  ].flatMap(plain)
  const isEven = areEven(coordinates, scale) && !letsGoOfMirror(terms.pins, axis)
  const placed = settled(knots, wishes, centred(list, index, scale, { first, last }), coordinates, scale, isEven, below)
  return placed && { coordinates, places: placed.places, cost: placed.cost }
}

/** Whether coordinates are their own mirror image. */
export function areEven(coordinates: readonly number[], scale: number): boolean {
  const n = coordinates.length,
    sum = n > 1 ? coordinates[0]! + coordinates[n - 1]! : 0
  return n > 1 && coordinates.every((one, i) => Math.abs(one + coordinates[n - 1 - i]! - sum) < (2 * ONE) / scale)
}

/** A knot whose cost counts from where all of them lie aside. */
type FreeKnot = Omit<Knot, 'cost'> & { readonly cost: (place: number, aside: number) => number }

/** Penalty for shifting the whole drawing half a unit from its scaled position. */
const ASIDE = 0.4

/** Symmetric if the coordinates are. The whole drawing may move half a unit if more edges become crisp. */
function settled(
  knots: readonly FreeKnot[],
  wishes: readonly Wish[],
  centring: readonly Wish[],
  coordinates: readonly number[],
  scale: number,
  isEven: boolean,
  below: number,
): Placed | null {
  const n = coordinates.length
  const sum = n > 1 ? coordinates[0]! + coordinates[n - 1]! : 0
  const half = Math.round(sum * scale)
  let best: Placed | null = null
  for (const about of isEven ? [half, half - 1, half + 1] : [0, -1, 1]) {
    const aside = isEven ? (about - sum * scale) / 2 : about / 2
    const price = 2 * ASIDE * Math.abs(aside)
    if ((best?.cost ?? below) <= price) continue
    const there = knots.map((knot): Knot => ({
      ...knot,
      ideal: knot.ideal + aside,
      cost: (place) => knot.cost(place, aside),
    }))
    const under: number = (best?.cost ?? below) - price
    const placed = isEven ? evenPlaces(there, wishes, about, under) : bestPlaces(there, [...wishes, ...centring], under)
    if (placed.cost + price < (best?.cost ?? below) - 1e-9) best = { ...placed, cost: placed.cost + price }
  }
  return best
}

function knotOf(
  coordinate: number,
  marks: readonly Mark[],
  { scale, care }: Terms,
  ends: { first: number; last: number },
): FreeKnot {
  let ideal = coordinate * scale
  for (const { at, reach } of marks) {
    // The silhouette keeps its size, whatever becomes of the weights.
    if (at - reach[0].was < ends.first + SAME && reach[0].was > 0) ideal = (at - reach[0].was) * scale + reach[0].is
    else if (at + reach[1].was > ends.last - SAME && reach[1].was > 0) ideal = (at + reach[1].was) * scale - reach[1].is
  }
  const phases = new Set<number>()
  for (const { edges } of marks) for (const edge of edges) phases.add(fraction(-edge))
  const shift = marks.some(({ edges }) => edges.length > 0) ? SHIFT * care : (SHIFT * care) / 3
  return {
    ideal,
    phases: [...phases],
    cost(place, aside) {
      let sum = shift * (place - ideal - aside) ** 2
      for (const { edges, length } of marks) {
        if (length === 0 || edges.length === 0) continue
        const off = edges.filter((edge) => !isWhole(place + edge)).length
        sum += (off / edges.length) * Math.min(MOST, (length * scale) / LONG)
      }
      return sum
    },
  }
}

/** Cost of leaving a pinned place, per unit: more than all others. */
const HELD = 1e4

/** A knot that is pinned to a place. */
const pinnedKnot = (to: number): FreeKnot => ({
  ideal: to,
  phases: [fraction(to)],
  cost: (place) => HELD * Math.abs(place - to),
})

/** A mark whose edges need not be crisp. */
const soft = (mark: Mark): Mark => ({ ...mark, edges: [] })

/** A wish with each knot once; none where it says nothing. */
function plain(wish: Wish): Wish[] {
  const factors = new Map<number, number>()
  wish.knots.forEach((knot, i) => factors.set(knot, (factors.get(knot) ?? 0) + wish.factors[i]!))
  for (const [knot, factor] of factors) if (factor === 0) factors.delete(knot)
  return factors.size === 0 ? [] : [{ ...wish, knots: [...factors.keys()], factors: [...factors.values()] }]
}

const fraction = (value: number): number => Math.round((value - Math.floor(value)) * 1e6) / 1e6
const isWhole = (value: number): boolean => Math.abs(value - Math.round(value)) < 1e-6
