import { SNAPS, type SnapSwitches } from '@/core/snap/targets'

/** What positions snap to. */
export type Snapping = {
  readonly snaps: SnapSwitches
  /** The delivered size whose pixels are the grid that is snapped to; null for the grid of the rules. */
  readonly pixelsOf: number | null
}

export const snapping: Snapping = {
  snaps: SNAPS,
  pixelsOf: null,
}
