import { z } from 'zod'
import { Face } from '../../../text/face'
import { Coordinate, PointXY } from '../../model/place'
import { Finish } from '../../model/style'
import { common } from '../../model/traits'

/**
 * A text on a baseline that starts at `at`; it stays text until it is fixed. `size` of the em and `spacing` between
 * characters in grid units; `boldness` of the shipped typeface, or an own `face`. `map` is the linear part of its
 * transform.
 */
export const Text = z.strictObject({
  kind: z.literal('text'),
  ...common,
  at: PointXY,
  text: z
    .string()
    .min(1, 'A text has at least one character.')
    .max(500, 'A text has at most 500 characters.')
    .refine((text) => !/\p{Surrogate}/u.test(text), 'The text contains half a character.'),
  size: z.number().positive().max(1e5),
  spacing: z.number().min(-1e4).max(1e4),
  boldness: z.union([z.literal(400), z.literal(600), z.literal(700)]),
  face: Face.optional(),
  map: z.array(Coordinate).length(4).optional(),
  style: Finish,
})
export type Text = z.infer<typeof Text>
