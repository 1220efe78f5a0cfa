import { z } from 'zod'
import { Label } from './label'
import { Opacity, Shadow } from './paint'
import { Coordinate } from './place'
import { CornerStyle, type Finish, Radius } from './style'

export const Role = z.enum(['adds', 'cuts', 'overlap', 'flips'])
export type Role = z.infer<typeof Role>

export const Degrees = z.number().min(-360).max(360)
const Extent = z.number().min(0).max(1e6)

/** As what a member takes part in a combination: the outline that is filled, or the area that it paints. */
export const By = z.enum(['edge', 'ink'])
export type By = z.infer<typeof By>

/**
 * What every object has. Flags that are left out are false; `role` and `by` count only inside an assembly. Without a
 * `by` closed outlines take part by their edge, open lines by their ink.
 */
export const common = {
  id: z.string().regex(/^[a-z0-9-]{1,40}$/, 'An id has at most 40 lower-case letters, digits and hyphens.'),
  name: Label,
  role: Role.optional(),
  by: By.optional(),
  hidden: z.literal(true).optional(),
  locked: z.literal(true).optional(),
  /** Of the whole object, over what its paints have. */
  opacity: Opacity.optional(),
  /** A soft shadow of the whole object. */
  shadow: Shadow.optional(),
}

/** A box that may be turned (degrees, clockwise) and slanted (degrees) about its centre. */
export const framed = {
  x: Coordinate,
  y: Coordinate,
  w: Extent,
  h: Extent,
  turn: Degrees.optional(),
  skew: z.number().gt(-90).lt(90).optional(),
}

/** The corner of a shape: its radius and form. */
export const cornered = { corner: Radius, cornerStyle: CornerStyle.optional() }

/** The numbers and names that a part of a schema stands for. */
type Of<S extends z.ZodRawShape> = z.infer<z.ZodObject<S>>
type Common = Of<typeof common>

/** Any object, with the common values alone. */
export type Thing = Common & { kind: string }

/** What has the traits that several kinds share: numbers of a frame, corners that can be finished, paint, members. */
export type WithFrame = Thing & Of<typeof framed>
export type WithCorners = Thing & Of<typeof cornered>
export type WithStyle = Thing & { style: Finish }
export type WithMembers = Thing & { members: Thing[] }

export const hasFrame = (object: Thing): object is WithFrame => 'w' in object
export const hasCorners = (object: Thing): object is WithCorners => 'corner' in object
export const hasStyle = (object: Thing): object is WithStyle => 'style' in object
export const hasMembers = (object: Thing): object is WithMembers => 'members' in object
