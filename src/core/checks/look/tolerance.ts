/** The tolerances of the checks, with their reasons. Lengths are in units of a 24 grid and scale with the grid. */

/** A direction nearer than this to one that was meant is a slip of the hand, in degrees. */
export const NEARLY_STRAIGHT = 3

/** A direction nearer than this to another is the same, in degrees: a slip of a thousandth over a unit. */
export const SAME_DIRECTION = 0.06

/** Lengths shorter than this say nothing about a direction, in units of a 24 grid. */
export const SHORT = 1

/** Places nearer than this were meant to be one, in units of a 24 grid. Nobody leaves so little on purpose. */
export const NEARLY = 0.2

/** Halves that are this much alike were meant to be the same, in units of a 24 grid. */
export const SLIP = 0.08

/** Places nearer than this are one, in units of a 24 grid. */
export const SAME = 2e-3

/** By how many units of a 24 grid ink may pass the live area without a snag. */
export const OVER = 0.05
