/**
 * Greatest step of written numbers that counts as rounding, in multiples of the exact tolerance; larger steps are
 * intended.
 */
const COARSE = 15

/** The share of a step that a place is off, and what follows from two of them. */
const OFF = 0.6

/** Greatest tolerance for rounding, in multiples of the exact one: invisible at any size. */
const MOST = 4

/**
 * How far the outline of path data may lie from what was meant, in units of the square, for its numbers were written with
 * so few digits as they are: glyphs in whole units of their font, paths with two digits. `scale` leads from units of the
 * data to units of the square, `exact` is how far apart what is the same may be. 0 where steps are so large that the
 * numbers are meant.
 */
export function roundedBy(data: string | undefined, scale: number, exact: number): number {
  if (data === undefined) return 0
  let digits = 0
  for (const [, fraction = '', power, alone] of data.matchAll(/\.(\d+)(?:e([-+]?\d+))?|\de([-+]?\d+)/gi))
    digits = Math.max(digits, fraction.length - Number(power ?? alone ?? 0))
  const step = scale * 10 ** -digits
  return step <= COARSE * exact ? Math.min(OFF * step, MOST * exact) : 0
}
