import type { Point } from './point'

/** The corners of the convex hull of points, in order around it (Andrew's monotone chain, 1979). */
export function convexHull(points: readonly Point[]): Point[] {
  const sorted = [...points]
    .sort((p, q) => p.x - q.x || p.y - q.y)
    .filter((p, i, all) => i === 0 || p.x !== all[i - 1]!.x || p.y !== all[i - 1]!.y)
  const half = (list: readonly Point[]): Point[] => {
    const chain: Point[] = []
    for (const p of list) {
      while (chain.length > 1 && turn(chain.at(-2)!, chain.at(-1)!, p) <= 0) chain.pop()
      chain.push(p)
    }
    return chain.slice(0, -1)
  }
  const hull = [...half(sorted), ...half(sorted.toReversed())]
  return hull.length > 0 ? hull : sorted.slice(0, 1)
}

const turn = (a: Point, b: Point, c: Point): number => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)

/** The area within a polygon. */
export const polygonArea = (corners: readonly Point[]): number =>
  Math.abs(
    corners.reduce((sum, p, i) => {
      const q = corners[(i + 1) % corners.length]!
      return sum + p.x * q.y - q.x * p.y
    }, 0) / 2,
  )
