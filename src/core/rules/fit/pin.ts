import { z } from 'zod'

/**
 * What a person says of a coordinate of the main drawing on a derived grid: `at`, in units of the set's grid, is to lie
 * at `to`, in units of the derived one; or, where that is null, is let go: nothing brings it to whole pixels any more.
 */
const EdgePin = z.strictObject({
  axis: z.enum(['x', 'y']),
  at: z.number().min(-1e4).max(1e4),
  to: z.number().min(-1e4).max(1e4).nullable(),
})
export type EdgePin = z.infer<typeof EdgePin>

/** What relates places of a drawing, as a person sees it. */
const TIES = ['left-right', 'top-bottom', 'end', 'touch', 'slant', 'smooth'] as const
export type TieKind = (typeof TIES)[number]

/**
 * What a person says of a relation of the main drawing that is seen near `at`, in units of the set's grid: it is held to,
 * whatever edges give way for it, or it is let go.
 */
const TiePin = z.strictObject({
  tie: z.enum(TIES),
  at: z.strictObject({ x: z.number().min(-1e4).max(1e4), y: z.number().min(-1e4).max(1e4) }),
  kept: z.boolean(),
})
export type TiePin = z.infer<typeof TiePin>

/** What a person says of a derived master. */
export const Pin = z.union([EdgePin, TiePin])
export type Pin = z.infer<typeof Pin>

const isEdge = (pin: Pin): pin is EdgePin => 'axis' in pin

export const tiePinsOf = (pins: readonly Pin[]): TiePin[] => pins.filter((pin) => 'tie' in pin)

/** Whether a person let go that the drawing is its own mirror image along an axis. */
export const letsGoOfMirror = (pins: readonly Pin[], axis: EdgePin['axis']): boolean =>
  tiePinsOf(pins).some(({ tie, kept }) => !kept && tie === (axis === 'x' ? 'left-right' : 'top-bottom'))

/** Coordinates nearer than this, in units of the derived grid, are one. */
export const ONE = 0.03

/** The pin that a coordinate has; the latest where there are several. */
export const pinAt = (pins: readonly Pin[], axis: EdgePin['axis'], at: number, scale: number): EdgePin | undefined =>
  pins.filter(isEdge).findLast((pin) => pin.axis === axis && Math.abs(pin.at - at) * scale <= ONE)

/** Pins with another for one coordinate; without any for it where that is null. */
export const withPin = (
  pins: readonly Pin[],
  { axis, at }: Pick<EdgePin, 'axis' | 'at'>,
  pin: EdgePin | null,
  scale: number,
): Pin[] => [
  ...pins.filter((one) => !isEdge(one) || one.axis !== axis || Math.abs(one.at - at) * scale > ONE),
  ...(pin ? [pin] : []),
]

/** Pins of a drawing whose grid became so many times as large. */
export const pinsScaled = (pins: readonly Pin[], by: number): Pin[] =>
  pins.map((pin) =>
    isEdge(pin) ? { ...pin, at: pin.at * by } : { ...pin, at: { x: pin.at.x * by, y: pin.at.y * by } },
  )
