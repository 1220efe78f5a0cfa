import type { FrameChange } from '@/core/drawing/model/frame'
import type { Limits } from '@/ui/limits'

/** Between which numbers the columns of a frame go. */
export const FRAME: Readonly<Partial<Record<keyof FrameChange, Limits>>> = {
  x: { least: -1e6, most: 1e6 },
  y: { least: -1e6, most: 1e6 },
  w: { least: 0, most: 1e6 },
  h: { least: 0, most: 1e6 },
}

export const WEIGHT: Limits = { least: 0, above: true, most: 1000 }
export const RADIUS: Limits = { least: 0, most: 10_000 }
