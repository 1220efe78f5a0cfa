/** A point or a vector, in grid units; x to the right, y downwards, as in SVG. */
export type Point = { readonly x: number; readonly y: number }

export const point = (x: number, y: number): Point => ({ x, y })
export const add = (a: Point, b: Point): Point => ({ x: a.x + b.x, y: a.y + b.y })
export const subtract = (a: Point, b: Point): Point => ({ x: a.x - b.x, y: a.y - b.y })
export const scale = (a: Point, k: number): Point => ({ x: a.x * k, y: a.y * k })
/** The opposite vector, with zeros that stay positive. */
export const negated = (a: Point): Point => ({ x: 0 - a.x, y: 0 - a.y })
export const dot = (a: Point, b: Point): number => a.x * b.x + a.y * b.y
export const cross = (a: Point, b: Point): number => a.x * b.y - a.y * b.x

/** The length of a vector. A root, because `Math.hypot`, which also minds overflow, takes many times as long. */
export const hypot = (x: number, y: number): number => Math.sqrt(x * x + y * y)

/** The distance of two points. */
export const distance = (a: Point, b: Point): number => hypot(b.x - a.x, b.y - a.y)

export const mix = (a: Point, b: Point, t: number): Point => ({ x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t })
export const midpoint = (a: Point, b: Point): Point => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 })

/** The vector of length 1 in the direction of `a`; the zero vector stays zero. */
export function unit(a: Point): Point {
  const length = hypot(a.x, a.y)
  return length === 0 ? a : { x: a.x / length, y: a.y / length }
}
