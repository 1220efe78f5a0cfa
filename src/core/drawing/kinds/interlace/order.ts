import { distance, type Point } from '../../../geometry/point'
import type { Crossing } from './crossings'

/**
 * Which of the two passes lies over at each crossing (0 or 1), so that along every strand they lie over and under by
 * turns, as far as that goes; between two areas by turns too. They begin at the crossing that is nearest to `start`.
 */
export function alternating(all: readonly Crossing[], start?: Point): (0 | 1)[] {
  // From the nearest on, independent of numbering.
  const order = all.map((_, i) => i)
  if (start) order.sort((a, b) => distance(all[a]!.at, start) - distance(all[b]!.at, start))
  const over = fromFirst(order.map((i) => all[i]!))
  return all.map((_, i) => over[order.indexOf(i)]!)
}

function fromFirst(crossings: readonly Crossing[]): (0 | 1)[] {
  const visits = new Map<number, { crossing: number; side: 0 | 1; way: number }[]>()
  crossings.forEach(({ passes }, crossing) =>
    passes.forEach(({ strand, way }, side) => {
      if (strand === null) return
      visits.set(strand, [...(visits.get(strand) ?? []), { crossing, side: side as 0 | 1, way }])
    }),
  )
  const follow = new Map<number, { to: number; own: 0 | 1; other: 0 | 1 }[]>()
  const link = (from: number, to: number, own: 0 | 1, other: 0 | 1) =>
    follow.set(from, [...(follow.get(from) ?? []), { to, own, other }])
  for (const list of visits.values()) {
    list.sort((a, b) => a.way - b.way)
    list.slice(1).forEach((visit, i) => {
      const before = list[i]!
      link(before.crossing, visit.crossing, before.side, visit.side)
      link(visit.crossing, before.crossing, visit.side, before.side)
    })
  }
  const over: (0 | 1 | null)[] = crossings.map(() => null)
  const pairs = new Map<string, number>()
  crossings.forEach(({ passes, region }, start) => {
    if (region) {
      const pair = passes.map(({ member }) => member).join()
      const nth = pairs.get(pair) ?? 0
      pairs.set(pair, nth + 1)
      over[start] = nth % 2 === 0 ? 0 : 1
      return
    }
    if (over[start] !== null) return
    over[start] = 0
    const pending = [start]
    while (pending.length > 0) {
      const here = pending.pop()!
      for (const { to, own, other } of follow.get(here) ?? []) {
        if (over[to] !== null) continue
        // The upper strand here is the lower one there.
        over[to] = over[here] === own ? ((1 - other) as 0 | 1) : other
        pending.push(to)
      }
    }
  })
  return over as (0 | 1)[]
}

/** Each member over the next, and the last over the first. */
export const eachOverNext = (crossings: readonly Crossing[], members: number): (0 | 1)[] =>
  crossings.map(({ passes: [a, b] }) => {
    const [low, high] = [Math.min(a.member, b.member), Math.max(a.member, b.member)]
    const over = low === 0 && high === members - 1 && members > 2 ? high : low
    return a.member === over ? 0 : 1
  })
