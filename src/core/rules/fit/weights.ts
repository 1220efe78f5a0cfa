/** Weights of relations, for squares: essential, visible, nice to have. */
export const HARD = 1e6,
  SEEN = 4,
  SLIGHT = 0.3

/** Places nearer than this are one, in units of the set's grid: as near as icons are drawn by hand. */
export const NEAR = 0.02

/** Stretches whose ends are nearer than this, in units of the set's grid, have no direction. */
export const SHORT = 1e-6
