/** Every tolerance of the core, in grid units unless it says otherwise, with its reason. */

/** Two points nearer than this are the same point: a thousandth of the finest step a designer types. */
export const SAME_POINT = 1e-9

/** How far apart two places are the same to someone who left something as it is there: a share of the grid, 0.75 of 24. */
export const SAME_SNAG = 1 / 32

/** A parameter nearer than this to another, or to an end of 0 to 1, is the same: as near as places are told apart. */
export const SAME_PARAMETER = 1e-9

/** What a few operations leave on numbers of about one: shares, ratios, sines of angles. */
export const ROUNDING = 1e-12

/** The sine of the angle, or the share, below which two straight directions do not cross: some sixty roundings. */
export const PARALLEL = 1e-14

/** Where a search between 0 and 1 has nothing left to halve. */
export const LAST_BIT = 1e-15

/** An angle below which two directions count as one straight line, in radians. */
export const STRAIGHT = 1e-9

/**
 * How near two segments must come to meet: what a double leaves of exact coordinates after a few operations. For
 * drawings of up to `REACH`.
 */
export const MEETING = 1e-8

/**
 * The snapping policy of arrangements: points nearer than this are one vertex, the first of them, and stretches nearer
 * than this are one edge. Above what intersections are off by, below the 1e-6 within which a boundary has to be right.
 * For drawings of up to `REACH`.
 */
export const SNAP = 2e-7

/**
 * Up to this far from the origin the tolerances hold as they are; beyond it they grow with the coordinates, as a
 * double's steps do.
 */
export const REACH = 1e4

/**
 * How far offsets of ellipses and cubics may lie from the true ones: an eightieth of a pixel of the largest app icon
 * drawn on a 24 grid.
 */
export const OFFSET = 1e-3

/** How far a bent or warped path may lie from the true one: as near as what is shown on screen. */
export const WARP = 5e-3

/**
 * Gaps below this are leaks: a quarter of a unit is less than anyone leaves open on purpose, and more than a slip of
 * the hand.
 */
export const LEAK = 0.25

/**
 * A turn of direction below this is no corner, in radians (half a degree): curves that were meant to run on smoothly.
 */
export const SMOOTH = 8.7e-3

/** By how much of its radius the usual four cubics miss a circle: what recognising one has to allow. */
export const FOUR_CUBICS = 3e-4

/**
 * Below this share of a cubic's size its speed is none, so that it stands still and turns back there: more than the
 * roots of its slope are off by.
 */
export const STILL = 1e-7

/**
 * How far from the origin anything is drawn: a hundred times as far as any coordinate that can be typed, and no further
 * than doubles keep a thousandth.
 */
export const FAR = 1e8
