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
 * Error of an outline by rounding, in units of the square: of glyphs in whole units of their font, of paths with two
 * digits. `scale` maps units of the data to units of the square, `exact` is the exact tolerance. 0 if the steps are too
 * large for rounding.
 */
export function roundedBy(data: string | undefined, scale: number, exact: number): number {
  if (data === undefined) return 0
  let digits = 0
  for (const [, fraction = '', power, alone] of data.matchAll(/\.(\d+)(?:e([-+]?\d+))?|\de([-+]?\d+)/gi))
    digits = Math.max(digits, fraction.length - Number(power ?? alone ?? 0))
  const step = scale * 10 ** -digits
  return step <= COARSE * exact ? Math.min(OFF * step, MOST * exact) : 0
}
