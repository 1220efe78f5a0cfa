import type { Transform } from '../../geometry/transform'

/**
 * The ellipse that the unit circle becomes under a map, without the turn of the circle itself, which nobody sees: by how
 * much it is turned (degrees), its half axes and its middle, and the map that makes it so; null of a circle. (The
 * singular value decomposition of two by two.)
 */
export function straightened([a, b, c, d, e, f]: Transform): {
  readonly map: Transform
  readonly turn: number
  readonly sx: number
  readonly sy: number
  readonly x: number
  readonly y: number
} | null {
  const p = (a + d) / 2,
    q = (a - d) / 2,
    r = (b + c) / 2,
    s = (b - c) / 2
  const mean = Math.hypot(p, s),
    off = Math.hypot(q, r)
  const long = Math.max(mean, off),
    short = Math.min(mean, off)
  if (short < 1e-6 * long) return null
  const turn = (Math.atan2(s, p) + Math.atan2(r, q)) / 2
  const sx = mean + off,
    sy = Math.max(Math.abs(mean - off), 1e-6)
  const cos = Math.cos(turn),
    sin = Math.sin(turn)
  return { map: [sx * cos, sx * sin, -sy * sin, sy * cos, e, f], turn: (turn * 180) / Math.PI, sx, sy, x: e, y: f }
}
