import { z } from 'zod'
import { NodeRun } from '../../model/node'
import { Paint } from '../../model/paint'
import { PointXY } from '../../model/place'
import { common, Degrees, Role, type WithMembers } from '../../model/traits'

const Count = z.int().min(1).max(500)

/** Around a point: `count` copies over `angle` degrees; a whole turn is shared out evenly. They turn along or stay upright. */
export const Around = z.strictObject({
  by: z.literal('turn'),
  at: PointXY,
  count: Count,
  angle: Degrees,
  upright: z.literal(true).optional(),
})

/**
 * Along a line or any path: `count` copies shared out over it, or one at every `distance`; with `inside` none at its
 * ends. They keep upright or turn along it, as they lie at its beginning.
 */
export const Along = z.strictObject({
  by: z.literal('path'),
  run: NodeRun,
  count: Count,
  distance: z.number().positive().max(1e6).optional(),
  inside: z.literal(true).optional(),
  turned: z.literal(true).optional(),
})

/** In a lattice: columns `across` and rows `down` from each other, every other row shifted by a share of `across`. */
const Lattice = z.strictObject({
  by: z.literal('lattice'),
  columns: Count,
  rows: Count,
  across: PointXY,
  down: PointXY,
  shift: z.number().min(-1).max(1).optional(),
})

/** Differences of one copy, by its number. */
export const Copy = z.strictObject({
  at: z.int().min(0).max(250_000),
  off: z.literal(true).optional(),
  role: Role.optional(),
  fill: Paint.optional(),
  stroke: Paint.optional(),
})
export type Copy = z.infer<typeof Copy>

/**
 * Live copies of its members; `from` is the place of the members that is turned around the centre or moved along the
 * path.
 */
export const Repeat = z.strictObject({
  kind: z.literal('repeat'),
  ...common,
  from: PointXY,
  course: z.discriminatedUnion('by', [Around, Along, Lattice]),
  copies: z.array(Copy).max(2000).optional(),
})
export type Repeat = z.infer<typeof Repeat> & WithMembers
export type Course = Repeat['course']
export type OfCourse<By extends Course['by']> = Repeat & { course: Extract<Course, { by: By }> }
