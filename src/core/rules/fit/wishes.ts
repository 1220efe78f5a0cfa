import type { AxisFit } from './axis-fit'
import type { Wish } from './best-places'
import { nearest, SAME } from './coordinates'
import type { MirrorMarks } from './mirror-marks'
import type { Pin } from './pin'
import { type Axis, EVEN, type Mark, type Marks, STRONG } from './mark'

/** What the places are to keep besides. */
export type Terms = {
  readonly scale: number
  /** How much staying where scaling leads counts, beside being crisp: 1, or more where that came out too bold. */
  readonly care: number
  /** Gaps and counters stay at least so wide, in units of the other grid, where they are not narrower already. */
  readonly gap: number
  /** How far from the ends of the other grid ink stays, where it keeps clear of the live area's margin on the set's. */
  readonly margin: { readonly was: number; readonly is: number; readonly size: number }
  readonly mirrors: MirrorMarks
  /** What a person says of coordinates. */
  readonly pins: readonly Pin[]
  /** Weights on the set's grid and on the other: bars of such a width get the new one. */
  readonly weights: readonly { readonly was: number; readonly is: number }[]
}

/** Cost per unit of difference between equal gaps, and between the margins of both sides. */
const ALIKE = 0.5,
  CENTRED = 0.6
/** How much a unit beyond the live area costs. */
const INSIDE = 3
/** How wide a gap may be, in units of the other grid, to be minded. */
const MINDED = 5

/** Wishes that keep gaps open, contacts closed, bars at whole widths, and equal lengths equal. */
export function gapWishes(
  list: readonly Mark[],
  index: (at: number) => number,
  { scale, gap, weights, care }: Terms,
): Wish[] {
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

/** Wishes that keep a drawing in the live area. */
export function insideWishes(
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
export function centred(
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

/** Wishes that keep equal widths and heights equal. */
export function squareWishes(marks: Marks, axis: Axis, index: (at: number) => number, known: AxisFit): Wish[] {
  const other = axis === 'x' ? 'y' : 'x'
  return marks.squares.map((one): Wish => {
    const [from, to] = one[other].map((at) => known.places[nearest(known.coordinates, at)]!) as [number, number]
    return { knots: [index(one[axis][0]), index(one[axis][1])], factors: [-1, 1], value: to - from, weight: one.weight }
  })
}

/** Squares and circles of one size keep one size. */
export function alikeSquares(marks: Marks, axis: Axis, index: (at: number) => number): Wish[] {
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

/** Copies in rows keep one step, the same for every mark of theirs. */
export function rowWishes(marks: Marks, axis: Axis, index: (at: number) => number): Wish[] {
  const step = (list: readonly number[], i: number): [number, number] => [index(list[i]!), index(list[i + 1]!)]
  return marks.rows[axis].flatMap((row) => {
    const first = step(row[0]!, 0)
    return row.flatMap((list) =>
      list.slice(1).map((_, i): Wish => ({
        knots: [...step(list, i), ...first],
        factors: [-1, 1, 1, -1],
        value: 0,
        weight: STRONG,
      })),
    )
  })
}

/** Coordinates that are mirror images of each other are so about one line. */
export function mirrorWishes(mirrors: MirrorMarks[Axis], index: (at: number) => number): Wish[] {
  const wishes = new Map<string, Wish>()
  for (const pairs of mirrors) {
    const knots = pairs.map(([a, b]) => [index(Math.min(a, b)), index(Math.max(a, b))] as const)
    const first = knots[0]
    for (const pair of knots.slice(1)) {
      if (pair[0] === first![0] && pair[1] === first![1]) continue
      wishes.set(`${pair.join()} ${first!.join()}`, {
        knots: [...pair, ...first!],
        factors: [1, 1, -1, -1],
        value: 0,
        weight: EVEN,
      })
    }
  }
  return [...wishes.values()]
}
