import { z } from 'zod'
import { Coordinate, PointXY } from './place'

/** The name of a value in the rules: short, and never to be mistaken for a number, a colour or `none`. */
export const ValueName = z
  .string()
  .regex(
    /^[a-z][a-z0-9-]{0,31}$/,
    'A name in the rules starts with a letter and has at most 32 lower-case letters, digits and hyphens.',
  )
  .refine((name) => name !== 'none', 'The name “none” is taken: it means no paint.')

/** A colour of one's own: six hexadecimal digits, or eight with opacity. */
export const Colour = z
  .string()
  .regex(
    /^#(?:[0-9a-f]{6}|[0-9a-f]{8})$/,
    'A colour is written # and six hexadecimal digits in lower case, or eight with opacity.',
  )

/** From 0, not to be seen, to 1, which is what leaving it out means. */
export const Opacity = z
  .number('Opacity is a number.')
  .min(0, 'Opacity goes from 0 to 100 %.')
  .max(1, 'Opacity goes from 0 to 100 %.')

/** A colour at a share of a gradient's way; two stops at one place make a hard edge. */
export const Stop = z.strictObject({
  at: z.number().min(0).max(1),
  color: z.union([ValueName, Colour]),
  opacity: Opacity.optional(),
})

/** The stops along a gradient, from its start to its end. */
export const Stops = z
  .array(Stop)
  .min(2, 'A gradient needs at least two stops.')
  .max(32, 'A gradient may have at most 32 stops.')
  .refine(
    (stops) => stops.every(({ at }, i) => i === 0 || stops[i - 1]!.at <= at),
    'The stops of a gradient go from its start to its end.',
  )

/** Stops of one's own, or the name of a gradient in the rules. */
const OwnOrNamedStops = z.union([ValueName, Stops])

/**
 * A gradient along a straight way, its lines of one colour at right angles to it. In grid units, wherever the object
 * is.
 */
export const Linear = z.strictObject({ kind: z.literal('linear'), from: PointXY, to: PointXY, stops: OwnOrNamedStops })

/**
 * A radial gradient from a centre to the ellipse with the conjugate half axes `to` and `across`; without `across` to a
 * circle. The first stop is at the `focus`. In grid units.
 */
export const Radial = z.strictObject({
  kind: z.literal('radial'),
  centre: PointXY,
  to: PointXY,
  across: PointXY.optional(),
  focus: PointXY.optional(),
  stops: OwnOrNamedStops,
})

export const Gradient = z.discriminatedUnion('kind', [Linear, Radial])

/** `none`, the name of a swatch in the rules, a colour of one's own, or a gradient. */
export const Paint = z.union([z.literal('none'), ValueName, Colour, Gradient])

/** A soft shadow: so far off, so far blurred, in grid units. */
export const Shadow = z.strictObject({
  x: Coordinate,
  y: Coordinate,
  blur: z.number().min(0).max(1000),
  color: z.union([ValueName, Colour]),
  opacity: Opacity.optional(),
})

/** A fill that lies over another. */
export const Fill = z.strictObject({ paint: Paint, opacity: Opacity.optional() })

export type Stop = z.infer<typeof Stop>
export type Linear = z.infer<typeof Linear>
export type Radial = z.infer<typeof Radial>
export type Gradient = z.infer<typeof Gradient>
export type Paint = z.infer<typeof Paint>
export type Shadow = z.infer<typeof Shadow>
export type Fill = z.infer<typeof Fill>

export const isGradient = (paint: Paint): paint is Gradient => typeof paint === 'object'
