import { z } from 'zod'
import { Coordinate, Radius, Style } from './style'

export const Role = z.enum(['adds', 'cuts', 'overlap', 'flips'])

const Degrees = z.number().min(-360).max(360)
const Extent = z.number().min(0).max(1e6)
const PointXY = z.strictObject({ x: Coordinate, y: Coordinate })

/** What every object has. Flags that are left out are false; `role` counts only inside an assembly. */
const common = {
  id: z.string().regex(/^[a-z0-9-]{1,40}$/, 'An id has at most 40 lower-case letters, digits and hyphens.'),
  name: z.string().min(1).max(80),
  role: Role.optional(),
  hidden: z.literal(true).optional(),
  locked: z.literal(true).optional(),
}

/** A box that may be turned (degrees, clockwise) and slanted (degrees) about its centre. */
const frame = { x: Coordinate, y: Coordinate, w: Extent, h: Extent, turn: Degrees.optional(), skew: z.number().gt(-90).lt(90).optional() }

export const Rectangle = z.strictObject({ kind: z.literal('rectangle'), ...common, ...frame, corner: Radius, style: Style })
export const Ellipse = z.strictObject({ kind: z.literal('ellipse'), ...common, ...frame, style: Style })
export const Line = z.strictObject({ kind: z.literal('line'), ...common, from: PointXY, to: PointXY, style: Style })

/** A node of a path; its own corner radius goes before the path's. */
export const Node = z.strictObject({ x: Coordinate, y: Coordinate, corner: Radius.optional() })
export const NodeRun = z.strictObject({ closed: z.boolean(), nodes: z.array(Node).min(2).max(100_000) })
export const PathObject = z.strictObject({
  kind: z.literal('path'),
  ...common,
  corner: Radius,
  contours: z.array(NodeRun).min(1).max(10_000),
  style: Style,
})

const Members: z.ZodType<DrawingObject[]> = z.lazy(() => z.array(DrawingObject).min(1))

export const Group = z.strictObject({ kind: z.literal('group'), ...common, members: Members })

/** A live combination: each member, in order, adds to, cuts, keeps the overlap with or flips what came before it. */
export const Assembly = z.strictObject({ kind: z.literal('assembly'), ...common, style: Style, members: Members })

export const DrawingObject = z.discriminatedUnion('kind', [Rectangle, Ellipse, Line, PathObject, Group, Assembly])

export type Role = z.infer<typeof Role>
export type Rectangle = z.infer<typeof Rectangle>
export type Ellipse = z.infer<typeof Ellipse>
export type LineObject = z.infer<typeof Line>
export type Node = z.infer<typeof Node>
export type PathObject = z.infer<typeof PathObject>

type Common = Pick<LineObject, 'id' | 'name' | 'role' | 'hidden' | 'locked'>

// Written out, because a recursive type cannot be inferred.
export type Group = Common & { kind: 'group'; members: DrawingObject[] }
export type Assembly = Common & { kind: 'assembly'; style: Style; members: DrawingObject[] }
export type DrawingObject = Rectangle | Ellipse | LineObject | PathObject | Group | Assembly
export type Kind = DrawingObject['kind']

/** An object that holds others. */
export type Container = Group | Assembly

/** An object that is painted. */
export type Styled = Exclude<DrawingObject, Group>

export const isContainer = (object: DrawingObject): object is Container => object.kind === 'group' || object.kind === 'assembly'
export const isStyled = (object: DrawingObject): object is Styled => object.kind !== 'group'
