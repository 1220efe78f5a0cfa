/** Lengths that differ by less are equal, in units of the set's grid. */
export const SAME = 1e-3

/** Values in order, of those that are one the first. */
export function distinct(values: readonly number[], near: number): number[] {
  const kept: number[] = []
  for (const value of [...values].sort((a, b) => a - b))
    if (kept.length === 0 || value - kept.at(-1)! > near) kept.push(value)
  return kept
}

/** Which of sorted values is nearest. */
export function nearest(sorted: readonly number[], value: number): number {
  let best = 0
  for (let i = 1; i < sorted.length; i++) if (Math.abs(sorted[i]! - value) < Math.abs(sorted[best]! - value)) best = i
  return best
}
