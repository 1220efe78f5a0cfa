/** Where the coordinates of one axis go: those of the marks in order, and their places on the other grid. */
export type AxisFit = {
  readonly coordinates: readonly number[]
  readonly places: readonly number[]
  readonly cost: number
}
