/** The tolerances of the checks, with their reasons. Lengths are in units of a 24 grid and scale with the grid. */

/** How far from a step of the grid, in steps, something still lies on it: what a typed number with three digits leaves. */
export const ON_GRID = 2e-3

/** A direction nearer than this to one that was meant is a slip of the hand, in degrees. */
export const NEARLY_STRAIGHT = 3

/** A direction nearer than this to another is the same, in degrees: a slip of a thousandth over a unit. */
export const SAME_DIRECTION = 0.06

/** Lengths shorter than this say nothing about a direction, in units of a 24 grid. */
export const SHORT = 1

/** Places nearer than this were meant to be one, in units of a 24 grid: less than anyone leaves on purpose. */
export const NEARLY = 0.2

/** Halves that are this much alike were meant to be the same, in units of a 24 grid. */
export const SLIP = 0.08

/** Places nearer than this are one, in units of a 24 grid. */
export const SAME = 2e-3

/** By how many units of a 24 grid something may pass the live area or miss a keyline unnoticed. */
export const OVER = 0.05
