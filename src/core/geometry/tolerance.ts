/** Every tolerance of the core, in grid units unless it says otherwise, with its reason. */

/** Two points nearer than this are the same point: a thousandth of the finest step a designer types. */
export const SAME_POINT = 1e-9

/** How far a flattened curve may lie from the true one: far below one device pixel at any zoom of the bench. */
export const FLATNESS = 0.005

/** An angle below which two directions count as one straight line, in radians. */
export const STRAIGHT = 1e-9

/** How near two segments must come to meet: what a double leaves of exact coordinates after a few operations, in icons of up to 10⁴ units. */
export const MEETING = 1e-8

/**
 * The snapping policy of arrangements: points nearer than this are one vertex, the first of them, and stretches nearer than this are
 * one edge. Above what intersections are off by, below the 1e-6 within which a boundary has to be right.
 */
export const SNAP = 2e-7
