import { distance } from '../../geometry/point'
import type { Circle, Stretch } from './figure'
import { type Spot, sumOf } from './form'
import type { Relation } from './solve'
import { between, type Tied } from './tie'
import { HARD, NEAR } from './weights'

/** Lines that touch circles, and circles that touch each other, do so again. */
export function touching(circles: readonly Circle[], stretches: readonly Stretch[]): Tied[] {
  const found: Tied[] = []
  const add = (spot: Spot, relation: Relation) => found.push({ tie: { kind: 'touch', spot }, relations: [relation] })
  circles.forEach((one, i) => {
    for (const { segment, from, to, run } of stretches) {
      if (segment.kind !== 'line' || run === one.run) continue
      const u = { x: to.was.x - from.was.x, y: to.was.y - from.was.y },
        long = Math.hypot(u.x, u.y)
      const w = { x: one.centre.was.x - from.was.x, y: one.centre.was.y - from.was.y }
      const side = (u.x * w.y - u.y * w.x) / long,
        along = (u.x * w.x + u.y * w.y) / long
      if (along < 0 || along > long || Math.abs(Math.abs(side) - one.was) > NEAR) continue
      const by = sumOf([[Math.sign(side), one.r]])
      add(between(from, to, along / long), { kind: 'beside', weight: HARD, p: one.centre, a: from, b: to, by })
    }
    for (const other of circles.slice(0, i)) {
      const away = distance(one.centre.was, other.centre.was)
      const sign = [1, -1].find((one_) => Math.abs(away - Math.abs(one.was + one_ * other.was)) <= NEAR)
      if (sign === undefined || away < NEAR) continue
      const turn = one.was + sign * other.was < 0 ? -1 : 1
      add(between(one.centre, other.centre, (turn * one.was) / away), {
        kind: 'away',
        weight: HARD,
        p: one.centre,
        q: other.centre,
        by: sumOf([
          [turn, one.r],
          [turn * sign, other.r],
        ]),
      })
    }
  })
  return found
}
