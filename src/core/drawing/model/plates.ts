import { z } from 'zod'
import { ellipse, type Path } from '../../geometry/path'
import type { Point } from '../../geometry/point'
import { unit } from '../../geometry/point'
import { line } from '../../geometry/segment'
import { WARP } from '../../geometry/tolerance'
import { follow } from '../../outline/fit-cubic'
import { ValueName } from './paint'

/**
 * A background shape by the rules, centred where it is laid: a circle (or an ellipse), a squircle (the superellipse
 * |x/a|ⁿ + |y/b|ⁿ = 1 by its exponent n), or a rectangle whose radius is a share of its shorter side. `padding` is what
 * a drawing on it keeps from its edge.
 */
export const Plate = z.strictObject({
  name: ValueName,
  shape: z.enum(['circle', 'squircle', 'rounded']),
  w: z.number().positive('A plate needs a width above 0.').max(4096),
  h: z.number().positive('A plate needs a height above 0.').max(4096),
  exponent: z.number().min(2, 'The exponent of a squircle is at least 2.').max(20).optional(),
  ratio: z.number().min(0).max(0.5, 'A radius is at most half of the shorter side.').optional(),
  padding: z.number().min(0).max(2048).optional(),
})
export type Plate = z.infer<typeof Plate>

/** What an exponent and a ratio are where nothing is said. */
const EXPONENT = 5,
  RATIO = 0.225

/** The outline of a plate, centred at a place. */
export function platePath({ shape, w, h, exponent = EXPONENT, ratio = RATIO }: Plate, at: Point): Path {
  const a = w / 2,
    b = h / 2
  switch (shape) {
    case 'circle':
      return [ellipse(at, a, b)]
    case 'squircle':
      return [squircle(at, a, b, exponent)]
    case 'rounded':
      return [rounded(at, a, b, 2 * ratio * Math.min(a, b))]
  }
}

function rounded({ x, y }: Point, a: number, b: number, r: number): Path[number] {
  const corners: [number, number][] = [
    [1, -1],
    [1, 1],
    [-1, 1],
    [-1, -1],
  ]
  const segments = corners.flatMap(([sx, sy], i) => {
    const [nx, ny] = corners[(i + 1) % 4]!
    const corner = { x: x + sx * a, y: y + sy * b }
    // Clockwise on screen: from the corner's first side to its second.
    const before = sx === sy ? { x: corner.x, y: corner.y - sy * r } : { x: corner.x - sx * r, y: corner.y },
      after = sx === sy ? { x: corner.x - sx * r, y: corner.y } : { x: corner.x, y: corner.y - sy * r }
    const next = { x: x + nx * a, y: y + ny * b }
    const start = nx === ny ? { x: next.x, y: next.y - ny * r } : { x: next.x - nx * r, y: next.y }
    return [
      ...(r > 0
        ? [{ kind: 'arc' as const, from: before, to: after, rx: r, ry: r, turn: 0, large: false, sweep: true }]
        : []),
      ...(Math.hypot(start.x - after.x, start.y - after.y) > 1e-9 ? [line(after, start)] : []),
    ]
  })
  return { segments, closed: true }
}

/** A superellipse as eight runs of cubics, within 0.0001 of a unit. */
function squircle({ x, y }: Point, a: number, b: number, n: number): Path[number] {
  const at = (t: number) => {
    const c = Math.cos(t),
      s = Math.sin(t)
    const r = (Math.abs(c) ** n + Math.abs(s) ** n) ** (-1 / n)
    // The gradient of the form is across it.
    const gx = (Math.sign(c) * Math.abs(r * c) ** (n - 1)) / a,
      gy = (Math.sign(s) * Math.abs(r * s) ** (n - 1)) / b
    return { at: { x: x + a * r * c, y: y + b * r * s }, direction: unit({ x: -gy, y: gx }) }
  }
  const eighths = Array.from({ length: 8 }, (_, i) => (i * Math.PI) / 4)
  const segments = eighths.flatMap((from) => follow(at, WARP / 50, from, from + Math.PI / 4))
  return {
    segments: segments.map((one, i) => ({ ...one, from: segments[(i + segments.length - 1) % segments.length]!.to })),
    closed: true,
  }
}
