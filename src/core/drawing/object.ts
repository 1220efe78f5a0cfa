import { z } from 'zod'
import { Face } from '../text/face'
import { Label } from './label'
import { Opacity } from './paint'
import { Coordinate, PointXY } from './place'
import { Cap, CornerStyle, Join, Radius, Style } from './style'

export const Role = z.enum(['adds', 'cuts', 'overlap', 'flips'])

const Degrees = z.number().min(-360).max(360)
const Extent = z.number().min(0).max(1e6)

/** What every object has. Flags that are left out are false; `role` counts only inside an assembly. */
const common = {
  id: z.string().regex(/^[a-z0-9-]{1,40}$/, 'An id has at most 40 lower-case letters, digits and hyphens.'),
  name: Label,
  role: Role.optional(),
  hidden: z.literal(true).optional(),
  locked: z.literal(true).optional(),
  /** Of the whole object, over what its paints have. */
  opacity: Opacity.optional(),
}

/** A box that may be turned (degrees, clockwise) and slanted (degrees) about its centre. */
const frame = {
  x: Coordinate,
  y: Coordinate,
  w: Extent,
  h: Extent,
  turn: Degrees.optional(),
  skew: z.number().gt(-90).lt(90).optional(),
}

/** The corner of a shape, and what is drawn at it where that is not an arc. */
const cornered = { corner: Radius, cornerStyle: CornerStyle.optional() }

/** `corners`, clockwise from the top left, go before `corner`. */
export const Rectangle = z.strictObject({
  kind: z.literal('rectangle'),
  ...common,
  ...frame,
  ...cornered,
  corners: z.array(Radius).length(4).optional(),
  style: Style,
})

/**
 * An ellipse; with `from` and `to` (degrees, anticlockwise from the right) the part between them, cut to the centre
 * (`pie`), straight across (`chord`) or left open (`open`); with `hole`, a share of its size, a ring.
 */
export const Ellipse = z.strictObject({
  kind: z.literal('ellipse'),
  ...common,
  ...frame,
  from: Degrees.optional(),
  to: Degrees.optional(),
  cut: z.enum(['pie', 'chord', 'open']).optional(),
  hole: z.number().gt(0).lt(1).optional(),
  style: Style,
})

/** The segment that leaves a node, where it is part of an ellipse (SVG 2 §9.3.8; `turn` in degrees). */
const NodeArc = z.strictObject({
  rx: z.number().positive().max(1e6),
  ry: z.number().positive().max(1e6),
  turn: Degrees.optional(),
  large: z.literal(true).optional(),
  sweep: z.literal(true).optional(),
})

/**
 * A node of a path. `in` and `out` are its handles, seen from the node; a node of kind `smooth` keeps them in line, a
 * `symmetric` one of one length too. Its own corner goes before the path's, its own join and cap (at an end) before
 * those of the style.
 */
export const Node = z.strictObject({
  x: Coordinate,
  y: Coordinate,
  in: PointXY.optional(),
  out: PointXY.optional(),
  arc: NodeArc.optional(),
  kind: z.enum(['smooth', 'symmetric']).optional(),
  corner: Radius.optional(),
  cornerStyle: CornerStyle.optional(),
  join: Join.optional(),
  cap: Cap.optional(),
})

/**
 * What lies along each side of a polygon, alike on all: the handle that leaves its corner, the nodes on it, the handle
 * that arrives at the next corner. Seen from the corner, one unit of x is the side, y is as long and points outwards,
 * in the circle before the frame stretches it.
 */
export const PolygonSide = z.strictObject({
  out: PointXY.optional(),
  in: PointXY.optional(),
  nodes: z.array(Node).max(200),
})

/**
 * A regular polygon in the ellipse that its frame spans, a node at the top; with `depth`, the share by which every side
 * is drawn in, a star; with a `side` of its own, what lies along each.
 */
export const Polygon = z.strictObject({
  kind: z.literal('polygon'),
  ...common,
  ...frame,
  sides: z
    .int('The number of sides is a whole number.')
    .min(3, 'A polygon has at least 3 sides.')
    .max(120, 'A polygon may have at most 120 sides.'),
  depth: z.number().min(0).max(0.99).optional(),
  side: PolygonSide.optional(),
  ...cornered,
  style: Style,
})

/**
 * An arrow to the right in its frame, or to the left (`back`): `head` and `shaft` are shares of its length and of its
 * height.
 */
export const Arrow = z.strictObject({
  kind: z.literal('arrow'),
  ...common,
  ...frame,
  head: z.number().min(0.01).max(1),
  shaft: z.number().min(0.01).max(1),
  back: z.literal(true).optional(),
  ...cornered,
  style: Style,
})

/**
 * A spiral of quarter circles, each larger than the one before by as much, out to the frame's right; `inner` is the
 * first radius as a share of the last. With `flip` it is turned over from left to right.
 */
export const Spiral = z.strictObject({
  kind: z.literal('spiral'),
  ...common,
  ...frame,
  turns: z.number().min(0.25).max(50),
  inner: z.number().min(0).max(0.99),
  flip: z.literal(true).optional(),
  style: Style,
})

export const Line = z.strictObject({ kind: z.literal('line'), ...common, from: PointXY, to: PointXY, style: Style })

export const NodeRun = z.strictObject({ closed: z.boolean(), nodes: z.array(Node).min(2).max(100_000) })
/**
 * Contours of nodes. With `regions` only the regions around those points are filled; `trace` is what a hand drew, to be
 * smoothed otherwise as long as no node was touched.
 */
export const PathObject = z.strictObject({
  kind: z.literal('path'),
  ...common,
  ...cornered,
  contours: z.array(NodeRun).min(1).max(10_000),
  regions: z.array(PointXY).max(1000).optional(),
  trace: z
    .strictObject({
      points: z.array(PointXY).min(2).max(20_000),
      smoothness: z.number().min(0.01).max(10),
      closed: z.boolean(),
    })
    .optional(),
  style: Style,
})

/**
 * A text, set from a baseline that begins at `at`; it stays text until it is fixed. `size` of the em and `spacing`
 * between characters in grid units; `boldness` of the shipped face, or a `face` of its own. `map` is the linear part of
 * what was done to it beyond moving and scaling.
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
  style: Style,
})

const Members: z.ZodType<DrawingObject[]> = z.lazy(() => z.array(DrawingObject).min(1))

/**
 * With a `mask` the front member is not painted but says where the others are: in it, out of it, or as far as its own
 * paint is opaque (`fade`).
 */
export const Mask = z.enum(['inside', 'outside', 'fade'])

export const Group = z.strictObject({ kind: z.literal('group'), ...common, mask: Mask.optional(), members: Members })

/**
 * Live symmetry about a point: the members, and their images turned to each of `folds` places around it; with `flip`
 * each is also turned over at the line through it at `angle` (degrees, anticlockwise from the right). Open lines are
 * joined where images meet.
 */
export const Mirror = z.strictObject({
  kind: z.literal('mirror'),
  ...common,
  at: PointXY,
  angle: Degrees,
  folds: z.int().min(1).max(120),
  flip: z.boolean(),
  members: Members,
})

/** A live combination: each member, in order, adds to, cuts, keeps the overlap with or flips what came before it. */
export const Assembly = z.strictObject({ kind: z.literal('assembly'), ...common, style: Style, members: Members })

export const DrawingObject = z.discriminatedUnion('kind', [
  Rectangle,
  Ellipse,
  Polygon,
  Arrow,
  Spiral,
  Line,
  PathObject,
  Text,
  Group,
  Assembly,
  Mirror,
])

export type Role = z.infer<typeof Role>
export type Mask = z.infer<typeof Mask>
export type Rectangle = z.infer<typeof Rectangle>
export type Ellipse = z.infer<typeof Ellipse>
export type Polygon = z.infer<typeof Polygon>
export type PolygonSide = z.infer<typeof PolygonSide>
export type Arrow = z.infer<typeof Arrow>
export type Spiral = z.infer<typeof Spiral>
export type LineObject = z.infer<typeof Line>
export type Node = z.infer<typeof Node>
export type Text = z.infer<typeof Text>
export type NodeRun = z.infer<typeof NodeRun>
export type PathObject = z.infer<typeof PathObject>

type Common = Pick<LineObject, 'id' | 'name' | 'role' | 'hidden' | 'locked' | 'opacity'>

// Written out, because a recursive type cannot be inferred.
export type Group = Common & { kind: 'group'; mask?: Mask | undefined; members: DrawingObject[] }
export type Assembly = Common & { kind: 'assembly'; style: Style; members: DrawingObject[] }
export type Mirror = Common & {
  kind: 'mirror'
  at: { x: number; y: number }
  angle: number
  folds: number
  flip: boolean
  members: DrawingObject[]
}
export type DrawingObject =
  Rectangle | Ellipse | Polygon | Arrow | Spiral | LineObject | PathObject | Text | Group | Assembly | Mirror
export type Kind = DrawingObject['kind']

/** An object that holds others. */
export type Container = Group | Assembly | Mirror

/** An object whose numbers are those of a frame. */
export type Framed = Rectangle | Ellipse | Polygon | Arrow | Spiral

/** An object whose corners can be finished. */
export type Cornered = Rectangle | Polygon | Arrow | PathObject

/** An object that is painted. */
export type Styled = Exclude<DrawingObject, Group | Mirror>

const FRAMED: ReadonlySet<Kind> = new Set(['rectangle', 'ellipse', 'polygon', 'arrow', 'spiral'])
const CORNERED: ReadonlySet<Kind> = new Set(['rectangle', 'polygon', 'arrow', 'path'])

export const isContainer = (object: DrawingObject): object is Container =>
  object.kind === 'group' || object.kind === 'assembly' || object.kind === 'mirror'
export const isStyled = (object: DrawingObject): object is Styled => object.kind !== 'group' && object.kind !== 'mirror'
export const isFramed = (object: DrawingObject): object is Framed => FRAMED.has(object.kind)
export const isCornered = (object: DrawingObject): object is Cornered => CORNERED.has(object.kind)
