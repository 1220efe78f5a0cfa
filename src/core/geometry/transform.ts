import type { Box } from './box'
import type { Point } from './point'

/** An affine map in SVG's order (CSS Transforms 1 §12): x' = a·x + c·y + e, y' = b·x + d·y + f. */
export type Transform = readonly [a: number, b: number, c: number, d: number, e: number, f: number]

export const IDENTITY: Transform = [1, 0, 0, 1, 0, 0]

export const translation = (x: number, y: number): Transform => [1, 0, 0, 1, x, y]

/** A turn about a centre, clockwise on screen, in degrees. Quarter turns are exact. */
export function rotation(degrees: number, about: Point): Transform {
  const { cos, sin } = cosSin(degrees)
  return [cos, sin, -sin, cos, about.x - cos * about.x + sin * about.y, about.y - sin * about.x - cos * about.y]
}

/** Cosine and sine of an angle in degrees, exact at quarter turns. */
export function cosSin(degrees: number): { cos: number; sin: number } {
  const turn = ((degrees % 360) + 360) % 360
  if (turn === 0) return { cos: 1, sin: 0 }
  if (turn === 90) return { cos: 0, sin: 1 }
  if (turn === 180) return { cos: -1, sin: 0 }
  if (turn === 270) return { cos: 0, sin: -1 }
  const radians = (degrees * Math.PI) / 180
  return { cos: Math.cos(radians), sin: Math.sin(radians) }
}

/** The map that carries one box onto another. A box without width (or height) keeps that scale at 1. */
export function boxToBox(from: Box, to: Box): Transform {
  const sx = from.w === 0 ? 1 : to.w / from.w
  const sy = from.h === 0 ? 1 : to.h / from.h
  return [sx, 0, 0, sy, to.x - from.x * sx, to.y - from.y * sy]
}

/** First `inner`, then `outer`. */
export function compose(outer: Transform, inner: Transform): Transform {
  const [a, b, c, d, e, f] = outer
  const [p, q, r, s, t, u] = inner
  return [a * p + c * q, b * p + d * q, a * r + c * s, b * r + d * s, a * t + c * u + e, b * t + d * u + f]
}

/** The map back. Throws where there is none. */
export function inverse([a, b, c, d, e, f]: Transform): Transform {
  const det = a * d - b * c
  if (det === 0) throw new Error('The map flattens everything: it has no inverse.')
  return [d / det, -b / det, -c / det, a / det, (c * f - d * e) / det, (b * e - a * f) / det]
}

export function apply([a, b, c, d, e, f]: Transform, { x, y }: Point): Point {
  return { x: a * x + c * y + e, y: b * x + d * y + f }
}
