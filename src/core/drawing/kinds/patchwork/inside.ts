import { type Path, pathBounds } from '../../../geometry/path'
import type { Point } from '../../../geometry/point'
import { curveOf } from '../../../geometry/curve'
import { intersect } from '../../../geometry/intersect'
import { tidy } from '../../../geometry/tidy'

/** At which shares of its height a path is looked through for its widest place. */
const LEVELS = [0.5, 0.38, 0.62, 0.25, 0.75, 0.12, 0.88]

/** A point well inside a closed path: the middle of its widest place on one of some levels. */
export function insideOf(path: Path): Point {
  const { x, y, w, h } = pathBounds(path)!
  let best: Point = { x: x + w / 2, y: y + h / 2 },
    widest = 0
  for (const level of LEVELS) {
    const at = y + h * level
    const ray = curveOf({ kind: 'line', from: { x: x - 1, y: at }, to: { x: x + w + 1, y: at } })
    const xs = path
      .flatMap(({ segments }) => segments.flatMap((one) => intersect(curveOf(one), ray).meetings.map((m) => m.at.x)))
      .sort((a, b) => a - b)
    // Between every other two is inside: levels at which nodes lie are not looked at for sure.
    if (xs.length % 2 !== 0) continue
    for (let i = 0; i + 1 < xs.length; i += 2) {
      const width = xs[i + 1]! - xs[i]!
      if (width <= widest) continue
      widest = width
      best = { x: (xs[i]! + xs[i + 1]!) / 2, y: at }
    }
  }
  return { x: tidy(best.x), y: tidy(best.y) }
}
