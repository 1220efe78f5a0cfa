/** Every tolerance of the core, in grid units unless it says otherwise, with its reason. */

/** Two points nearer than this are the same point: a thousandth of the finest step a designer types. */
export const SAME_POINT = 1e-9

/**
 * How far a place may be from another and still count as untouched when a drawing is compared with its former state: a
 * share of the grid, 0.75 units of 24.
 */
export const SAME_SNAG = 1 / 32

/** Parameters on 0..1 that differ by less than this are the same: they give the same point. */
export const SAME_PARAMETER = 1e-9

/** Rounding errors that a few operations leave on numbers of about one: shares, ratios, sines. */
export const ROUNDING = 1e-12

/** Two directions whose sine is below this do not cross: some sixty rounding errors. */
export const PARALLEL = 1e-14

/** The smallest interval of a search on 0..1 that can still be halved. */
export const LAST_BIT = 1e-15

/** An angle below which two directions count as one straight line, in radians. */
export const STRAIGHT = 1e-9

/**
 * Greatest distance of segments that meet: the rounding error of exact coordinates after a few operations, for drawings
 * of up to `REACH`.
 */
export const MEETING = 1e-8

/**
 * The snapping policy of arrangements: points nearer than this are one vertex, the first of them, and stretches nearer
 * than this are one edge. Above what intersections are off by, below the 1e-6 within which a boundary has to be right.
 * For drawings of up to `REACH`.
 */
export const SNAP = 2e-7

/**
 * Up to this distance from the origin the tolerances are constant; beyond it they grow with the coordinates, like the
 * spacing of doubles.
 */
export const REACH = 1e4

/**
 * How far offsets of ellipses and cubics may lie from the true ones: an eightieth of a pixel of the largest app icon
 * drawn on a 24 grid.
 */
export const OFFSET = 1e-3

/** Greatest error of a bent or warped path: as small as the error on screen. */
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
 * A cubic whose speed is below this share of its size stands still and turns back there; the roots of its slope are
 * less exact than this.
 */
export const STILL = 1e-7

/**
 * How far from the origin anything is drawn: a hundred times as far as any coordinate that can be typed, and no further
 * than doubles keep a thousandth.
 */
export const FAR = 1e8
