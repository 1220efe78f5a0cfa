/** How long things are kept that nobody asked to keep, in days unless a name says otherwise. One place for all of them. */

export const DAY_MS = 86_400_000

/** Deleted sets and icons; saves that tell a repeated one from a new one. */
export const BIN_DAYS = 30

/** Earlier states of a set without a name, from when another state took their place. */
export const PAST_DAYS = 30

/** Pictures that no reference uses. */
export const UNUSED_PICTURE_DAYS = 1

/** Copies of the database: all of the last days that have any, and the latest of each week before. */
export const COPY_DAYS = 7,
  COPY_WEEKS = 4
