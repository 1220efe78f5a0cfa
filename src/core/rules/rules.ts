import { z } from 'zod'
import { Colour, Stops, ValueName } from '../drawing/model/paint'
import { DrawingObject } from '../drawing/objects/object'
import { Plate } from '../drawing/model/plates'
import { PointXY } from '../drawing/model/place'
import { Cap, Join, Style } from '../drawing/model/style'
import { finishProblems } from './finish-problems'
import { limitShape } from './limits'
import { followProblems } from './own-keys'
import { partProblems } from './parts'
import { sumProblems } from './sums'
import { INK } from '../drawing/model/values'

const Named = (value: z.ZodNumber) => z.strictObject({ name: ValueName, value })

/** A shape centred in the square that gives silhouettes of one kind the same visual size. */
export const Keyline = z.strictObject({
  name: ValueName,
  shape: z.enum(['ellipse', 'rectangle']),
  w: z.number('A keyline needs a width.').positive('A keyline needs a width above 0.').max(4096),
  h: z.number('A keyline needs a height.').positive('A keyline needs a height above 0.').max(4096),
})

export const SwatchRule = z.strictObject({ name: ValueName, color: Colour, dark: Colour.optional() })

/** A reusable piece of drawing. A placement puts the point `at` of the part where it is placed. */
export const Part = z.strictObject({
  name: ValueName,
  at: PointXY,
  objects: z.array(DrawingObject).min(1, 'A part needs at least one object.'),
})
export type Part = z.infer<typeof Part>

/** A finish that several objects share. Its gradients are given for the box from (0, 0) to (1, 1). */
export const FinishRule = z.strictObject({ name: ValueName, style: Style })

/** A delivered size in pixels. */
export const Size = z
  .int('A size is a whole number of pixels.')
  .min(1, 'A size must be at least 1 pixel.')
  .max(2048, 'A size may be at most 2048 pixels.')

/** Rules of a further grid, one unit per pixel. Missing values are those of the set, scaled to that size. */
export const MasterRule = z.strictObject({
  base: z
    .int('The grid of a master is a whole number of units.')
    .min(8, 'The grid of a master has at least 8 units.')
    .max(512, 'The grid of a master has at most 512 units.'),
  liveArea: z.number().positive('The live area must be above 0.').max(512).optional(),
  weights: z
    .array(Named(z.number().positive('A weight must be above 0.').max(1000)))
    .max(24)
    .optional(),
  radii: z
    .array(Named(z.number().min(0, 'A radius cannot be below 0.').max(10000)))
    .max(24)
    .optional(),
  /** Drawings are only scaled to it, and their edges stay where that takes them. */
  unfitted: z.literal(true).optional(),
})
export type MasterRule = z.infer<typeof MasterRule>

const unique = (what: string) => (list: readonly { name: string }[], context: z.RefinementCtx) => {
  const seen = new Set<string>()
  list.forEach(({ name }, i) => {
    if (seen.has(name))
      context.addIssue({ code: 'custom', path: [i, 'name'], message: `Two ${what} are named “${name}”.` })
    seen.add(name)
  })
}

/** How much a snag matters: it is not looked for, it is a hint, it should be mended, or it stops a delivery. */
export const Severity = z.enum(['off', 'note', 'warning', 'error'])
export type Severity = z.infer<typeof Severity>

/** The rule book of a set. Lengths in grid units; live area and keylines are centred in the square. */
export const Rules = z
  .strictObject({
    grid: z.strictObject({
      size: z
        .int('The grid is a whole number of units.')
        .min(4, 'The grid must be at least 4 units.')
        .max(2048, 'The grid may be at most 2048 units.'),
      step: z
        .number('The step is a number.')
        .min(0.01, 'The step must be at least 0.01.')
        .max(256, 'The step may be at most 256.'),
      major: z
        .int('Bold lines come every whole number of units.')
        .min(1, 'Bold lines need at least 1 unit between them.')
        .max(512),
    }),
    liveArea: z.number('The live area is a number.').positive('The live area must be above 0.').max(2048),
    keylines: z.array(Keyline).max(24).superRefine(unique('keylines')),
    weights: z
      .array(
        Named(
          z
            .number('A weight is a number.')
            .positive('A weight must be above 0.')
            .max(1000, 'A weight may be at most 1000.'),
        ),
      )
      .min(1, 'A set needs at least one weight.')
      .max(24)
      .superRefine(unique('weights')),
    /** A radius with a `sum` has the value of that sum and is recomputed when a value in it changes. */
    radii: z
      .array(
        Named(
          z
            .number('A radius is a number.')
            .min(0, 'A radius cannot be below 0.')
            .max(10000, 'A radius may be at most 10000.'),
        ).extend({ sum: z.string().min(1).max(80).optional() }),
      )
      .max(24)
      .superRefine(unique('radii')),
    cap: Cap,
    join: Join,
    miterLimit: z.number('The miter limit is a number.').min(1, 'The miter limit must be at least 1.').max(100),
    palette: z
      .array(SwatchRule)
      .max(64)
      .superRefine(unique('swatches'))
      .refine((list) => list.some(({ name }) => name === INK), `The palette needs a swatch named “${INK}”.`),
    /** Gradients by name, to be laid on objects in any direction. */
    gradients: z
      .array(z.strictObject({ name: ValueName, stops: Stops }))
      .max(64)
      .superRefine(unique('gradients'))
      .optional(),
    /** Finishes that several objects share, by name. */
    finishes: z.array(FinishRule).max(64).superRefine(unique('finishes')).optional(),
    /** Background shapes, by name. */
    plates: z.array(Plate).max(24).superRefine(unique('plates')).optional(),
    /** Reusable pieces of drawing, by name. */
    parts: z.array(Part).max(500, 'A set may have at most 500 parts.').superRefine(unique('parts')).optional(),
    sizes: z
      .array(Size)
      .min(1, 'Name at least one size to deliver.')
      .max(24, 'A set may have at most 24 sizes.')
      .refine(
        (list) => list.every((size, i) => i === 0 || list[i - 1]! < size),
        'Sizes go from small to large, each once.',
      ),
    densities: z
      .array(
        z
          .int('A density is a whole number.')
          .min(1, 'A density must be at least 1.')
          .max(4, 'A density may be at most 4.'),
      )
      .min(1, 'Name at least one density.')
      .max(4)
      .refine(
        (list) => list.every((density, i) => i === 0 || list[i - 1]! < density),
        'Densities go from small to large, each once.',
      ),
    /**
     * The set whose rules these follow, by its id on the shelf and by its name as a fallback; and the keys that are its
     * own: “cap”, “weights/main”.
     */
    follows: z
      .strictObject({
        set: z.string().min(1).max(80),
        id: z
          .string()
          .regex(/^[a-z0-9]{1,40}$/)
          .optional(),
        own: z.array(z.string().min(1).max(80)).max(2000),
      })
      .optional(),
    /** Further grids that icons are drawn on, for the sizes near them. */
    masters: z
      .array(MasterRule)
      .max(8, 'A set may have at most 8 further masters.')
      .refine(
        (list) => list.every(({ base }, i) => i === 0 || list[i - 1]!.base < base),
        'Masters go from small to large, each once.',
      )
      .optional(),
    /**
     * How weights follow to further grids: to whole units, to halves, or kept in proportion. Left out, they become whole
     * where that is within a fifth of proportion, else half.
     */
    weightSteps: z.enum(['whole', 'half', 'kept']).optional(),
    /** How strokes are delivered: as strokes, which is what leaving this out means, or as the outlines they paint. */
    strokes: z.enum(['kept', 'outlined']).optional(),
    /** Directions that straight lines may have, in degrees, anticlockwise from the right; any where none are named. */
    angles: z.array(z.number().min(0).lt(180)).max(36).optional(),
    ...limitShape,
    /** The side of the square, in the middle, beyond which a platform cuts everything off. */
    trim: z.number().positive('The trim must be above 0.').max(2048).optional(),
    /** Construction lines: through the middle, from corner to corner, at thirds of the live area. */
    lines: z
      .array(z.enum(['centre', 'diagonals', 'thirds']))
      .max(3)
      .optional(),
    /** How the icons are named. */
    naming: z.enum(['kebab-case', 'snake_case', 'camelCase', 'PascalCase']).optional(),
    /** Severity of checks that differ from the default, by id. */
    checks: z.record(z.string().regex(/^[a-z-]{1,40}$/), Severity).optional(),
  })
  .superRefine((rules, context) => {
    rules.gradients?.forEach(({ name, stops }, i) => {
      for (const { color } of stops) {
        if (!color.startsWith('#') && !rules.palette.some((swatch) => swatch.name === color)) {
          context.addIssue({
            code: 'custom',
            path: ['gradients', i],
            message: `The gradient “${name}” uses the swatch “${color}”, which the palette does not have.`,
          })
        }
      }
    })
    for (const message of followProblems(rules)) context.addIssue({ code: 'custom', path: ['follows', 'own'], message })
    for (const message of masterProblems(rules)) context.addIssue({ code: 'custom', path: ['masters'], message })
    for (const message of sumProblems(rules)) context.addIssue({ code: 'custom', path: ['radii'], message })
    for (const message of finishProblems(rules)) context.addIssue({ code: 'custom', path: ['finishes'], message })
    for (const message of partProblems(rules)) context.addIssue({ code: 'custom', path: ['parts'], message })
    if (rules.trim !== undefined && rules.trim > rules.grid.size) {
      context.addIssue({
        code: 'custom',
        path: ['trim'],
        message: `The trim cannot be larger than the grid of ${rules.grid.size}.`,
      })
    }
    if (rules.liveArea > rules.grid.size) {
      context.addIssue({
        code: 'custom',
        path: ['liveArea'],
        message: `The live area cannot be larger than the grid of ${rules.grid.size}.`,
      })
    }
    rules.keylines.forEach((keyline, i) => {
      for (const side of ['w', 'h'] as const) {
        if (keyline[side] > rules.grid.size) {
          context.addIssue({
            code: 'custom',
            path: ['keylines', i, side],
            message: `The keyline ${keyline.name} does not fit the grid of ${rules.grid.size}.`,
          })
        }
      }
    })
  })

/** Problems of the masters of a rule book, as sentences. */
function masterProblems({
  grid,
  masters = [],
  ...named
}: Pick<Rules, 'grid' | 'masters' | 'weights' | 'radii'>): string[] {
  return masters.flatMap(({ base, liveArea = 0, weights = [], radii = [] }) => {
    const unknown = [
      ...weights
        .filter((own) => !named.weights.some(({ name }) => name === own.name))
        .map(({ name }) => `weight “${name}”`),
      ...radii
        .filter((own) => !named.radii.some(({ name }) => name === own.name))
        .map(({ name }) => `radius “${name}”`),
    ]
    return [
      ...(base === grid.size ? [`The set is drawn on a grid of ${base}: it needs no other master for that.`] : []),
      ...(liveArea > base ? [`The live area of the ${base} master cannot be larger than its grid.`] : []),
      ...unknown.map((what) => `The ${base} master has the ${what}, which the rules do not have.`),
    ]
  })
}

export type Keyline = z.infer<typeof Keyline>
export type Rules = z.infer<typeof Rules>
