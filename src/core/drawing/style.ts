import { z } from 'zod'

/** A finite number a drawing may hold, in grid units. */
export const Coordinate = z.number().min(-1e6).max(1e6)

/** The name of a value in the rules: short, and never to be mistaken for a number, a colour or `none`. */
export const ValueName = z
  .string()
  .regex(/^[a-z][a-z0-9-]{0,31}$/, 'A name in the rules starts with a letter and has at most 32 lower-case letters, digits and hyphens.')
  .refine((name) => name !== 'none', 'The name “none” is taken: it means no paint.')

/** A colour of one's own: six hexadecimal digits, or eight with opacity. */
export const Colour = z
  .string()
  .regex(/^#(?:[0-9a-f]{6}|[0-9a-f]{8})$/, 'A colour is written # and six hexadecimal digits in lower case, or eight with opacity.')

export const Cap = z.enum(['butt', 'round', 'square'])
export const Join = z.enum(['miter', 'round', 'bevel'])

/** A stroke weight in grid units, or the name of one in the rules. */
export const Weight = z.union([ValueName, z.number().positive().max(1000)])

/** A corner radius in grid units, 0 for a sharp corner, or the name of one in the rules. */
export const Radius = z.union([ValueName, z.number().min(0).max(10000)])

/** What is drawn at a corner within reach of its radius. */
export const CornerStyle = z.enum(['round', 'bevel', 'scoop', 'notch', 'squircle'])

/** `none`, the name of a swatch in the rules, or a colour of one's own. */
export const Paint = z.union([z.literal('none'), ValueName, Colour])

/** How an object is painted. A cap or join that is left out follows the rules. */
export const Style = z.strictObject({
  fill: Paint,
  stroke: Paint,
  weight: Weight,
  cap: Cap.optional(),
  join: Join.optional(),
})

export type Cap = z.infer<typeof Cap>
export type Join = z.infer<typeof Join>
export type Weight = z.infer<typeof Weight>
export type Radius = z.infer<typeof Radius>
export type CornerStyle = z.infer<typeof CornerStyle>
export type Paint = z.infer<typeof Paint>
export type Style = z.infer<typeof Style>
