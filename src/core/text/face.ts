import { z } from 'zod'

/**
 * A stretch of a glyph: a line (x, y), a quadratic (cx, cy, x, y) or a cubic (two control points, then x, y), in font
 * units, y upwards.
 */
const Step = z.union([z.array(z.number()).length(2), z.array(z.number()).length(4), z.array(z.number()).length(6)])

/** A glyph: its advance and its contours, each from its first step, a point, around. */
export const Glyph = z.strictObject({ advance: z.number(), contours: z.array(z.array(Step).min(1)) })

/** The outlines of a typeface that texts are set in: glyphs by character, and kerning by pairs of them. */
export const Face = z.strictObject({
  name: z.string().min(1).max(80),
  unitsPerEm: z.number().positive(),
  glyphs: z.record(z.string(), Glyph),
  kerning: z.record(z.string(), z.number()),
})

export type Glyph = z.infer<typeof Glyph>
export type Face = z.infer<typeof Face>
