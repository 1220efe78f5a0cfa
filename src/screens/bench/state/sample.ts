/** Pixels along the magnifier's side. */
export const LOUPE = 11

/**
 * What the sampler sees at a place: the colour it would take, where that comes from, and the pixels around it where it
 * is a picture's.
 */
export type Sample = {
  readonly color: string
  readonly from: string
  readonly pixels: readonly (string | null)[] | null
}
