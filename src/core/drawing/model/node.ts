import { z } from 'zod'
import { Degrees } from './traits'
import { Coordinate, PointXY } from './place'
import { Cap, CornerStyle, Join, Radius } from './style'

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

export const NodeRun = z.strictObject({ closed: z.boolean(), nodes: z.array(Node).min(2).max(100_000) })

export type Node = z.infer<typeof Node>
export type NodeRun = z.infer<typeof NodeRun>
