import { curveOf } from '../core/geometry/curve'
import { nearestOnCurve } from '../core/geometry/nearest'
import type { Path } from '../core/geometry/path'
import { distance, type Point } from '../core/geometry/point'
import { pointAt, type Segment } from '../core/geometry/segment'

/** A random path of lines, arcs and cubics, open or closed, of whole and half coordinates. */
export function randomPath(next: () => number, closed: boolean): Path {
  const half = () => Math.floor(next() * 49) / 2
  const place = (): Point => ({ x: half(), y: half() })
  const count = 1 + Math.floor(next() * 4) + (closed ? 2 : 0)
  const nodes = [place()]
  while (nodes.length < count + (closed ? 0 : 1)) {
    const p = place()
    if (
      distance(p, nodes[nodes.length - 1]!) > 2 &&
      (!closed || nodes.length < count - 1 || distance(p, nodes[0]!) > 2)
    )
      nodes.push(p)
  }
  const segments = Array.from({ length: count }, (_, i): Segment => {
    const from = nodes[i]!,
      to = nodes[(i + 1) % nodes.length]!
    const kind = next()
    if (kind < 0.45) return { kind: 'line', from, to }
    if (kind < 0.7) {
      const r = distance(from, to) * (0.5 + next() * next() * 2)
      return { kind: 'arc', from, to, rx: r, ry: r, turn: 0, large: next() < 0.4, sweep: next() < 0.5 }
    }
    return { kind: 'cubic', from, c1: place(), c2: place(), to }
  })
  return [{ segments, closed }]
}

/** How far a point is from a path, by the nearest of dense places on it: shares no code with outlines. */
export function awayFrom(path: Path): (p: Point) => number {
  const dense = path.flatMap(({ segments }) =>
    segments.flatMap((s) => Array.from({ length: 1025 }, (_, i) => pointAt(s, i / 1024))),
  )
  const curves = path.flatMap(({ segments }) => segments.map(curveOf))
  return (p) => {
    let least = Infinity
    for (const q of dense) least = Math.min(least, Math.hypot(p.x - q.x, p.y - q.y))
    // Between two dense places a line of 30 units leaves 0.03; the nearest places of the kernel itself can only come
    // nearer.
    return Math.min(least, ...curves.map((curve) => nearestOnCurve(curve, p).distance))
  }
}
