import { z } from 'zod'

/**
 * What a person says of a coordinate of the main drawing on a derived grid: `at`, in units of the set's grid, is to lie
 * at `to`, in units of the derived one; or, where that is null, is let go: nothing brings it to whole pixels any more.
 */
export const Pin = z.strictObject({
  axis: z.enum(['x', 'y']),
  at: z.number().min(-1e4).max(1e4),
  to: z.number().min(-1e4).max(1e4).nullable(),
})
export type Pin = z.infer<typeof Pin>

/** Coordinates nearer than this, in units of the derived grid, are one. */
export const ONE = 0.03

/** The pin that a coordinate has; the latest where there are several. */
export const pinAt = (pins: readonly Pin[], axis: Pin['axis'], at: number, scale: number): Pin | undefined =>
  pins.findLast((pin) => pin.axis === axis && Math.abs(pin.at - at) * scale <= ONE)

/** Pins with another for one coordinate; without any for it where that is null. */
export const withPin = (
  pins: readonly Pin[],
  { axis, at }: Pick<Pin, 'axis' | 'at'>,
  pin: Pin | null,
  scale: number,
): Pin[] => [...pins.filter((one) => one.axis !== axis || Math.abs(one.at - at) * scale > ONE), ...(pin ? [pin] : [])]
