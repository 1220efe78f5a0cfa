import type { AxisFit } from './axis-fit'

/** How far from a placed coordinate, in units of the other grid, one is that goes with it at its own distance. */
const BESIDE = 0.03

/**
 * Where any coordinate goes: straight from one placed one to the next, and on in proportion beyond the outermost and
 * next to each.
 */
export function courseOf(
  { coordinates, places }: Pick<AxisFit, 'coordinates' | 'places'>,
  scale: number,
): (value: number) => number {
  const n = coordinates.length
  if (n === 0) return (value) => value * scale
  const from = (i: number, value: number) => places[i]! + (value - coordinates[i]!) * scale
  return (value) => {
    let i = 0
    while (i < n && coordinates[i]! < value) i++
    for (const near of [i, i - 1])
      if (near >= 0 && near < n && Math.abs(value - coordinates[near]!) * scale <= BESIDE) return from(near, value)
    if (i === 0) return from(0, value)
    if (i === n) return from(n - 1, value)
    const share = (value - coordinates[i - 1]!) / (coordinates[i]! - coordinates[i - 1]!)
    return places[i - 1]! + (places[i]! - places[i - 1]!) * share
  }
}
