import { type Path, polyline, transformPath } from '../core/geometry/path'
import type { Point } from '../core/geometry/point'
import type { Segment } from '../core/geometry/segment'

/**
 * A random shape with what it should be by its definition: the oracle of the fuzz tests, which shares no code with the
 * kernel.
 */
export type Shape = {
  readonly name: string
  readonly path: Path
  readonly contains: (p: Point) => boolean
  /** How far a point is from the shape's edge, at least; exact or nearly so where it is small. */
  readonly away: (p: Point) => number
}

/** A source of numbers in 0..1, the same for the same seed (mulberry32). */
export function random(seed: number): () => number {
  let a = seed >>> 0
  return () => {
    a = (a + 0x6d2b79f5) | 0
    let t = Math.imul(a ^ (a >>> 15), 1 | a)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

const halves = (next: () => number, from: number, to: number): number =>
  from + Math.floor(next() * (2 * (to - from) + 1)) / 2

/**
 * A circle, rectangle, rounded rectangle, polygon or blob of cubics on a half-unit grid, where touches and shared edges
 * are common.
 */
export function randomShape(
  next: () => number,
  kinds: readonly (keyof typeof SHAPES)[] = ['circle', 'rectangle', 'rounded', 'polygon', 'blob'],
): Shape {
  return SHAPES[kinds[Math.floor(next() * kinds.length)]!](next)
}

const SHAPES = {
  circle(next: () => number): Shape {
    const c = { x: halves(next, 0, 20), y: halves(next, 0, 20) },
      r = halves(next, 1, 8)
    const arc = (from: Point, to: Point): Segment => ({
      kind: 'arc',
      from,
      to,
      rx: r,
      ry: r,
      turn: 0,
      large: false,
      sweep: true,
    })
    const left = { x: c.x - r, y: c.y },
      right = { x: c.x + r, y: c.y }
    const far = (p: Point) => Math.hypot(p.x - c.x, p.y - c.y)
    return {
      name: `circle ${c.x},${c.y} r${r}`,
      path: [{ closed: true, segments: [arc(left, right), arc(right, left)] }],
      contains: (p) => far(p) < r,
      away: (p) => Math.abs(far(p) - r),
    }
  },
  rectangle(next: () => number): Shape {
    const x = halves(next, 0, 18),
      y = halves(next, 0, 18),
      w = halves(next, 1, 12),
      h = halves(next, 1, 12)
    return polygonShape(`rectangle ${x},${y} ${w}×${h}`, [
      { x, y },
      { x: x + w, y },
      { x: x + w, y: y + h },
      { x, y: y + h },
    ])
  },
  rounded(next: () => number): Shape {
    const x = halves(next, 0, 18),
      y = halves(next, 0, 18),
      w = halves(next, 2, 12),
      h = halves(next, 2, 12)
    const r = Math.min(w, h) / 2 < 1 ? 0.5 : halves(next, 0.5, Math.floor(Math.min(w, h)) / 2)
    const arc = (from: Point, to: Point): Segment => ({
      kind: 'arc',
      from,
      to,
      rx: r,
      ry: r,
      turn: 0,
      large: false,
      sweep: true,
    })
    const at = [
      [x + r, y],
      [x + w - r, y],
      [x + w, y + r],
      [x + w, y + h - r],
      [x + w - r, y + h],
      [x + r, y + h],
      [x, y + h - r],
      [x, y + r],
    ].map(([px, py]) => ({ x: px!, y: py! }))
    const segments = at.flatMap((from, i): Segment[] => {
      const to = at[(i + 1) % 8]!
      if (i % 2) return [arc(from, to)]
      return from.x === to.x && from.y === to.y ? [] : [{ kind: 'line', from, to }]
    })
    const signed = (p: Point) => {
      const dx = Math.abs(p.x - x - w / 2) - w / 2 + r,
        dy = Math.abs(p.y - y - h / 2) - h / 2 + r
      return Math.hypot(Math.max(dx, 0), Math.max(dy, 0)) + Math.min(Math.max(dx, dy), 0) - r
    }
    return {
      name: `rounded ${x},${y} ${w}×${h} r${r}`,
      path: [{ closed: true, segments }],
      contains: (p) => signed(p) < 0,
      away: (p) => Math.abs(signed(p)),
    }
  },
  polygon(next: () => number): Shape {
    const n = 3 + Math.floor(next() * 4)
    const points = Array.from({ length: n }, () => ({ x: halves(next, 0, 24), y: halves(next, 0, 24) })).filter(
      (p, i, all) => p.x !== all[(i + 1) % all.length]!.x || p.y !== all[(i + 1) % all.length]!.y,
    )
    return points.length < 3
      ? SHAPES.rectangle(next)
      : polygonShape(`polygon ${points.map(({ x, y }) => `${x},${y}`).join(' ')}`, points)
  },
  blob(next: () => number): Shape {
    const c = { x: halves(next, 4, 18), y: halves(next, 4, 18) },
      n = 3 + Math.floor(next() * 3)
    const rim = (k: number, r: number): Point => ({
      x: c.x + r * Math.cos((2 * Math.PI * k) / n),
      y: c.y + r * Math.sin((2 * Math.PI * k) / n),
    })
    const round = ({ x, y }: Point): Point => ({ x: Math.round(x * 2) / 2, y: Math.round(y * 2) / 2 })
    const nodes = Array.from({ length: n }, (_, k) => round(rim(k, halves(next, 2, 7))))
    const segments = nodes.map((from, k): Segment => ({
      kind: 'cubic',
      from,
      c1: round(rim(k + 1 / 3, halves(next, 2, 9))),
      c2: round(rim(k + 2 / 3, halves(next, 2, 9))),
      to: nodes[(k + 1) % n]!,
    }))
    const dense = segments.flatMap((s) =>
      s.kind === 'cubic' ? Array.from({ length: 400 }, (_, i) => bezier([s.from, s.c1, s.c2, s.to], i / 400)) : [],
    )
    const shape = polygonShape('', dense)
    // Chords of 1/400 lie within 2e-4 of these curves: nearer than that they say nothing.
    return {
      name: `blob ${JSON.stringify(segments)}`,
      path: [{ closed: true, segments }],
      contains: shape.contains,
      away: (p) => Math.max(0, shape.away(p) - 4e-4),
    }
  },
}

function bezier(points: readonly Point[], t: number): Point {
  if (points.length === 1) return points[0]!
  return bezier(
    points.slice(1).map((p, i) => ({ x: points[i]!.x * (1 - t) + p.x * t, y: points[i]!.y * (1 - t) + p.y * t })),
    t,
  )
}

function polygonShape(name: string, points: readonly Point[]): Shape {
  const sides = points.map((a, i) => [a, points[(i + 1) % points.length]!] as const)
  return {
    name,
    path: [{ closed: true, segments: sides.map(([from, to]) => ({ kind: 'line', from, to })) }],
    contains: (p) => {
      let winding = 0
      for (const [a, b] of sides) {
        const side = (b.x - a.x) * (p.y - a.y) - (p.x - a.x) * (b.y - a.y)
        if (a.y <= p.y && b.y > p.y && side > 0) winding++
        if (a.y > p.y && b.y <= p.y && side < 0) winding--
      }
      return winding !== 0
    },
    away: (p) => {
      let least = Infinity
      for (const [a, b] of sides) {
        const dx = b.x - a.x,
          dy = b.y - a.y
        const t = Math.max(0, Math.min(1, ((p.x - a.x) * dx + (p.y - a.y) * dy) / (dx * dx + dy * dy || 1)))
        least = Math.min(least, Math.hypot(p.x - a.x - dx * t, p.y - a.y - dy * t))
      }
      return least
    },
  }
}

/** A shape a little off: its nodes where it is all straight, else the whole of it moved, turned and stretched. */
export function jittered(path: Path, off: number, next: () => number): Path {
  const by = () => off * (2 * next() - 1)
  if (path.some(({ segments }) => segments.some(({ kind }) => kind !== 'line'))) {
    const grown = 1 + by(),
      turned = by()
    return transformPath(
      path,
      next() < 0.5 ? [grown, turned, -turned, grown, by(), by()] : [1 + by(), by(), by(), 1 + by(), by(), by()],
    )
  }
  return path.map(({ segments }) =>
    polyline(
      segments.map(({ from }) => ({ x: from.x + by(), y: from.y + by() })),
      true,
    ),
  )
}
