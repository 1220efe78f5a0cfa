import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import { OutOfTime, timed } from '../geometry/deadline'
import { convexHull } from '../geometry/hull'
import { centroidOf } from '../geometry/measure'
import type { Path } from '../geometry/path'
import { distance, type Point } from '../geometry/point'
import { pointAt } from '../geometry/segment'
import type { Circle } from '../geometry/solve'
import { tidy } from '../geometry/tidy'
import { evaluateAll } from '../drawing/evaluate/evaluate'
import type { DrawingObject } from '../drawing/objects/object'
import { inkOfAll } from '../drawing/scene/ink'
import type { Rules } from '../rules/rules'
import { ROUNDING, SAME_POINT } from '../geometry/tolerance'

/**
 * How far the optical middle of something is from the middle of the square, in grid units: by the ink that is painted
 * and by the least circle around it.
 */
export type OpticalOffset = { readonly ink: Point; readonly circle: Point }

/** How far the optical middle of objects is off; null where nothing is painted, or it cannot be computed in time. */
export function opticalOffset(objects: readonly DrawingObject[], rules: Rules): OpticalOffset | null {
  const ink = inkWithin(objects, rules),
    centroid = inkCentroid(ink),
    around = enclosingCircle(ink),
    middle = rules.grid.size / 2
  if (!centroid || !around) return null
  const off = ({ x, y }: Point): Point => ({ x: tidy(x - middle), y: tidy(y - middle) })
  return { ink: off(centroid), circle: off(around.centre) }
}

function inkWithin(objects: readonly DrawingObject[], rules: Rules): Path {
  try {
    return timed(() => inkOfAll(evaluateAll(objects, sceneOf(rules))))
  } catch (error) {
    if (error instanceof OutOfTime) return []
    throw error
  }
}

/** Where an area would balance; null of none. */
export const inkCentroid = (ink: Path): Point | null => (ink.length > 0 ? centroidOf(ink) : null)

/** A step through places that meets each once: a prime greater than there are. */
const STRIDE = 1_000_003

/** How many places of each segment are looked at. */
const LOOKS = 24

/** The least circle around an area, by dense places of its outline (Welzl 1991, moved to the front); null of none. */
export function enclosingCircle(ink: Path): Circle | null {
  const all = ink.flatMap(({ segments }) =>
    segments.flatMap((segment) =>
      Array.from({ length: segment.kind === 'line' ? 1 : LOOKS }, (_, i) =>
        pointAt(segment, i / (segment.kind === 'line' ? 1 : LOOKS)),
      ),
    ),
  )
  // Only points of the hull can touch it; shuffled, so that the first few are near the result.
  const hull = convexHull(all)
  const points = hull.map((_, i) => hull[(i * STRIDE) % hull.length]!)
  const [first] = points
  if (!first) return null
  let circle: Circle = { centre: first, r: 0 }
  const inside = (p: Point) => distance(p, circle.centre) <= circle.r + SAME_POINT
  for (let i = 0; i < points.length; i++) {
    if (inside(points[i]!)) continue
    circle = { centre: points[i]!, r: 0 }
    for (let j = 0; j < i; j++) {
      if (inside(points[j]!)) continue
      circle = across(points[i]!, points[j]!)
      for (let k = 0; k < j; k++)
        if (!inside(points[k]!)) circle = through(points[i]!, points[j]!, points[k]!) ?? circle
    }
  }
  return circle
}

const across = (p: Point, q: Point): Circle => ({
  centre: { x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 },
  r: distance(p, q) / 2,
})

function through(p: Point, q: Point, s: Point): Circle | null {
  const ax = q.x - p.x,
    ay = q.y - p.y,
    bx = s.x - p.x,
    by = s.y - p.y,
    d = 2 * (ax * by - ay * bx)
  if (Math.abs(d) < ROUNDING) return null
  const a = ax * ax + ay * ay,
    b = bx * bx + by * by
  const x = (by * a - ay * b) / d,
    y = (ax * b - bx * a) / d
  return { centre: { x: p.x + x, y: p.y + y }, r: Math.hypot(x, y) }
}
