import { type Axis, EVEN, type Mark, type Marks, STRONG } from './mark'
import { bestPlaces, evenPlaces, type Knot, type Placed, type Wish } from './best-places'

/** Where the coordinates of one axis go: those of the marks in order, and their places on the other grid. */
export type AxisFit = {
  readonly coordinates: readonly number[]
  readonly places: readonly number[]
  readonly cost: number
}

/** What the places are to keep besides. */
export type Terms = {
  readonly scale: number
  /** How much staying where scaling leads counts, beside being crisp: 1, or more where that came out too bold. */
  readonly care: number
  /** Gaps and counters stay at least so wide, in units of the other grid, where they are not narrower already. */
  readonly gap: number
  /** How far from the ends of the other grid ink stays, where it keeps clear of the live area's margin on the set's. */
  readonly margin: { readonly was: number; readonly is: number; readonly size: number }
  /** Weights of the set's grid and what they are on the other: bars as wide as one get that width. */
  readonly weights: readonly { readonly was: number; readonly is: number }[]
}

/** Coordinates nearer than this, in units of the other grid, are one. */
const ONE = 0.03
/** Lengths that differ by less are equal, in units of the set's grid. */
const SAME = 1e-3
/** How long an edge is, in units of the other grid, that costs one where it is not crisp, and the most that one costs. */
const LONG = 5,
  MOST = 2
/** How much it costs to lie a unit off where scaling would lead, squared. */
const SHIFT = 0.6
/** How much a unit of difference between equal gaps costs, and how much a unit that the margins on both sides come to differ. */
const ALIKE = 0.5,
  CENTRED = 0.6
/** How much a unit beyond the live area costs. */
const INSIDE = 3
/** How wide a gap may be, in units of the other grid, to be minded. */
const MINDED = 5

/** The best places for all marks of an axis; `known` are those of the other axis, where they are known. */
export function placedMarks(marks: Marks, axis: Axis, terms: Terms, known: AxisFit | null): AxisFit {
  const list = marks.marks[axis]
  const coordinates = distinct(
    list.map(({ at }) => at),
    ONE / terms.scale,
  )
  const index = (at: number) => nearest(coordinates, at)
  const { scale } = terms
  const first = Math.min(...list.map(({ at, reach }) => at - reach[0].was)),
    last = Math.max(...list.map(({ at, reach }) => at + reach[1].was))
  const at: Mark[][] = coordinates.map(() => [])
  for (const mark of list) at[index(mark.at)]!.push(mark)
  const knots = coordinates.map((coordinate, i) => knotOf(coordinate, at[i]!, terms, { first, last }))
  const wishes = [
    ...gapWishes(list, index, terms),
    ...insideWishes(list, index, terms, { first, last }),
    ...marks.middles[axis].map(({ a, b, middle, weight }): Wish => ({
      knots: [index(a), index(b), index(middle)],
      factors: [1, 1, -2],
      value: 0,
      weight,
    })),
    ...(known ? squareWishes(marks, axis, index, known) : alikeSquares(marks, axis, index)),
  ].flatMap(plain)
  const placed = settled(knots, wishes, centred(list, index, scale, { first, last }), coordinates, scale)
  return { coordinates, places: placed.places, cost: placed.cost }
}

/** A knot whose cost counts from where all of them lie aside. */
type FreeKnot = Omit<Knot, 'cost'> & { readonly cost: (place: number, aside: number) => number }

/** What it costs to lie half a unit beside where scaling leads, as a whole. */
const ASIDE = 0.4

/** Symmetric where the coordinates are; as a whole it may go half a unit aside, where more of it is crisp there. */
function settled(
  knots: readonly FreeKnot[],
  wishes: readonly Wish[],
  centring: readonly Wish[],
  coordinates: readonly number[],
  scale: number,
): Placed {
  const n = coordinates.length
  const sum = n > 1 ? coordinates[0]! + coordinates[n - 1]! : 0
  const isEven =
    n > 1 && coordinates.every((one, i) => Math.abs(one + coordinates[n - 1 - i]! - sum) < (2 * ONE) / scale)
  const half = Math.round(sum * scale)
  const ways = (isEven ? [half, half - 1, half + 1] : [0, -1, 1]).map((about) => {
    const aside = isEven ? (about - sum * scale) / 2 : about / 2
    const there = knots.map((knot): Knot => ({
      ...knot,
      ideal: knot.ideal + aside,
      cost: (place) => knot.cost(place, aside),
    }))
    const placed = isEven ? evenPlaces(there, wishes, about) : bestPlaces(there, [...wishes, ...centring])
    return { ...placed, cost: placed.cost + 2 * ASIDE * Math.abs(aside) }
  })
  return ways.reduce((best, one) => (one.cost < best.cost - 1e-9 ? one : best))
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

/** Gaps stay open, contacts stay contacts, bars keep a whole width, and what is equal stays so. */
function gapWishes(list: readonly Mark[], index: (at: number) => number, { scale, gap, weights, care }: Terms): Wish[] {
  const wishes: Wish[] = []
  const alike = new Map<string, [number, number]>()
  const sorted = list.filter(({ before, after }) => before || after).sort((a, b) => a.at - b.at)
  const seen = new Set<string>()
  sorted.forEach((a, i) => {
    for (const b of sorted.slice(i + 1)) {
      if ((b.at - a.at) * scale > MINDED + 3 || b.at - a.at < SAME) continue
      if (Math.min(a.to, b.to) - Math.max(a.from, b.from) < -SAME) continue
      const pair: [number, number] = [index(a.at), index(b.at)]
      const wish = (value: number, weight: number, least: boolean, by: readonly number[] = [-1, 1]) => {
        const key = `${pair.join()} ${value} ${weight} ${least} ${by[0]}`
        if (seen.has(key)) return
        seen.add(key)
        wishes.push({ knots: pair, factors: by, value, weight, ...(least && { least: true as const }) })
      }
      const same = (what: string) => {
        const key = `${what} ${Math.round((b.at - a.at) * 1000)}`
        const known = alike.get(key)
        if (!known) alike.set(key, pair)
        else if (known[0] !== pair[0] || known[1] !== pair[1])
          wishes.push({ knots: [...pair, ...known], factors: [-1, 1, 1, -1], value: 0, weight: ALIKE })
      }
      if (a.after && b.before) {
        const was = b.at - b.before.was - (a.at + a.after.was),
          kept = a.after.is + b.before.is
        if (was > SAME && was * scale < MINDED) {
          wish(Math.min(was * scale, gap) + kept, STRONG, true)
          wish(was * scale + kept, 2 * care, true)
          same(`gap ${a.after.was} ${b.before.was}`)
        } else if (Math.abs(was) <= SAME) wish(kept, STRONG, false)
        else if (was < 0) wish(-kept, STRONG, true, [1, -1])
      } else if (!a.after && !b.before && a.edges.length > 0 && b.edges.length > 0) {
        const width = b.at - a.at
        if (width * scale > MINDED) continue
        const named = weights.find((weight) => Math.abs(weight.was - width) < SAME)
        wish(named?.is ?? Math.max(1, Math.round(width * scale)), EVEN, false)
        same('bar')
      }
    }
  })
  return wishes
}

/** What lies in the live area lies in that of the other grid. */
function insideWishes(
  list: readonly Mark[],
  index: (at: number) => number,
  { scale, margin }: Terms,
  { first, last }: { first: number; last: number },
): Wish[] {
  const isIn = first >= margin.was - SAME && last <= margin.size / scale - margin.was + SAME
  if (!isIn) return []
  return list.flatMap(({ at, reach: [low, high] }): Wish[] => [
    ...(low.was > 0 || at - first < 2
      ? [{ knots: [index(at)], factors: [1], value: margin.is + low.is, least: true as const, weight: INSIDE }]
      : []),
    ...(high.was > 0 || last - at < 2
      ? [
          {
            knots: [index(at)],
            factors: [-1],
            value: high.is - (margin.size - margin.is),
            least: true as const,
            weight: INSIDE,
          },
        ]
      : []),
  ])
}

/** The silhouette stays as far from one end of the grid as from the other, where it is. */
function centred(
  list: readonly Mark[],
  index: (at: number) => number,
  scale: number,
  { first, last }: { first: number; last: number },
): Wish[] {
  const low = list.find(({ at, reach }) => at - reach[0].was < first + SAME),
    high = list.find(({ at, reach }) => at + reach[1].was > last - SAME)
  if (!low || !high) return []
  const value = (first + last) * scale + low.reach[0].is - high.reach[1].is
  return [{ knots: [index(low.at), index(high.at)], factors: [1, 1], value, weight: CENTRED }]
}

/** What is as long down as across becomes so again. */
function squareWishes(marks: Marks, axis: Axis, index: (at: number) => number, known: AxisFit): Wish[] {
  const other = axis === 'x' ? 'y' : 'x'
  return marks.squares.map((one): Wish => {
    const [from, to] = one[other].map((at) => known.places[nearest(known.coordinates, at)]!) as [number, number]
    return { knots: [index(one[axis][0]), index(one[axis][1])], factors: [-1, 1], value: to - from, weight: one.weight }
  })
}

/** Squares and circles of one size keep one size. */
function alikeSquares(marks: Marks, axis: Axis, index: (at: number) => number): Wish[] {
  const known = new Map<number, [number, number]>()
  return marks.squares.flatMap((one): Wish[] => {
    if (one.weight < EVEN) return []
    const pair: [number, number] = [index(one[axis][0]), index(one[axis][1])]
    const key = Math.round((one[axis][1] - one[axis][0]) * 1000)
    const first = known.get(key)
    if (!first) {
      known.set(key, pair)
      return []
    }
    return [{ knots: [...pair, ...first], factors: [-1, 1, 1, -1], value: 0, weight: EVEN }]
  })
}

/** A wish with each knot once; none where it says nothing. */
function plain(wish: Wish): Wish[] {
  const factors = new Map<number, number>()
  wish.knots.forEach((knot, i) => factors.set(knot, (factors.get(knot) ?? 0) + wish.factors[i]!))
  for (const [knot, factor] of factors) if (factor === 0) factors.delete(knot)
  return factors.size === 0 ? [] : [{ ...wish, knots: [...factors.keys()], factors: [...factors.values()] }]
}

/** Values in order, of those that are one the first. */
function distinct(values: readonly number[], near: number): number[] {
  const kept: number[] = []
  for (const value of [...values].sort((a, b) => a - b))
    if (kept.length === 0 || value - kept.at(-1)! > near) kept.push(value)
  return kept
}

function nearest(sorted: readonly number[], value: number): number {
  let best = 0
  for (let i = 1; i < sorted.length; i++) if (Math.abs(sorted[i]! - value) < Math.abs(sorted[best]! - value)) best = i
  return best
}

const fraction = (value: number): number => Math.round((value - Math.floor(value)) * 1e6) / 1e6
const isWhole = (value: number): boolean => Math.abs(value - Math.round(value)) < 1e-6
