import { z } from 'zod'
import { type Point, subtract } from '../../../geometry/point'
import { tidy } from '../../../geometry/tidy'
import { cosSin } from '../../../geometry/transform'
import { type Frame, framePoint, toFrameAxes } from '../../model/frame'
import { Node, type NodeRun } from '../../model/node'
import { PointXY } from '../../model/place'
import type { CornerStyle, Radius } from '../../model/style'
import { SAME_POINT } from '../../../geometry/tolerance'

/**
 * The common course of all sides of a polygon: the handle at the first corner, inner nodes, the handle at the next
 * corner. Coordinates: origin at the corner, one unit of x along the side, y of the same length outwards, before the
 * frame stretches the circle.
 */
export const PolygonSide = z.strictObject({
  out: PointXY.optional(),
  in: PointXY.optional(),
  nodes: z.array(Node).max(200),
})
export type PolygonSide = z.infer<typeof PolygonSide>

/** What the sides of a polygon are made of. */
type Sided = Frame & {
  readonly sides: number
  readonly depth?: number | undefined
  readonly side?: PolygonSide | undefined
  readonly corner: Radius
  readonly cornerStyle?: CornerStyle | undefined
}

/** A side in the circle that a frame stretches: its corner, and its two axes, along and outwards. */
type Side = { readonly corner: Point; readonly u: Point; readonly v: Point }

function sideOf(sides: number, k: number): Side {
  const a = cosSin((360 * k) / sides - 90),
    b = cosSin((360 * (k + 1)) / sides - 90)
  const u = { x: b.cos - a.cos, y: b.sin - a.sin }
  return { corner: { x: a.cos, y: a.sin }, u, v: { x: u.y, y: -u.x } }
}

/** A side in the opposite direction. */
export function turnedSide({ out, in: into, nodes }: PolygonSide): PolygonSide {
  const over = (p: Point): Point => ({ x: -p.x, y: p.y })
  return {
    ...(into && { out: over(into) }),
    ...(out && { in: over(out) }),
    nodes: nodes.toReversed().map(({ in: arriving, out: leaving, ...node }) => ({
      ...node,
      x: tidy(1 - node.x),
      ...(leaving && { in: over(leaving) }),
      ...(arriving && { out: over(arriving) }),
    })),
  }
}

/** The course of a polygon's sides: its own, the inner node of a star, or straight. */
function sidesOf({ side, depth, sides }: Sided): PolygonSide {
  if (side) return side
  if (!depth) return { nodes: [] }
  // The inner node of a star lies at 1 − depth from the centre, over the middle of the side.
  const half = Math.PI / sides,
    away = Math.cos(half) - (1 - depth)
  return { nodes: [{ x: 0.5, y: tidy(-away / (2 * Math.sin(half))) }] }
}

/** A polygon as one closed run of nodes, side after side, clockwise from the top. */
export function polygonRun(object: Sided): NodeRun {
  const { out, in: into, nodes } = sidesOf(object)
  const at = (p: Point): Point => framePoint(object, { x: 0.5 + p.x / 2, y: 0.5 + p.y / 2 })
  const origin = at({ x: 0, y: 0 })
  const run: Node[] = []
  for (let k = 0; k < object.sides; k++) {
    const { corner, u, v } = sideOf(object.sides, k),
      before = sideOf(object.sides, k - 1)
    const turned = ({ x, y }: Point, s: Side): Point => ({ x: s.u.x * x + s.v.x * y, y: s.u.y * x + s.v.y * y })
    const handle = (p: Point | undefined, s: Side) => p && subtract(at(turned(p, s)), origin)
    const own: Node = { ...at(corner) }
    const leaving = handle(out, { corner, u, v }),
      arriving = handle(into, before)
    if (leaving) own.out = leaving
    if (arriving) own.in = arriving
    run.push(own)
    for (const node of nodes) {
      const p = turned(node, { corner, u, v })
      const placed: Node = { ...node, ...at({ x: corner.x + p.x, y: corner.y + p.y }) }
      if (node.in) placed.in = handle(node.in, { corner, u, v })!
      if (node.out) placed.out = handle(node.out, { corner, u, v })!
      run.push(placed)
    }
  }
  return { closed: true, nodes: run }
}

/**
 * The polygon whose sides are all as one side of it was edited, as a path; a corner that was moved scales and turns the
 * whole. Null when a polygon cannot express the edit.
 */
export function folded<T extends Sided>(object: T, [run, ...more]: readonly NodeRun[]): T | null {
  const before = polygonRun(object).nodes,
    per = before.length / object.sides
  if (!run?.closed || more.length > 0 || run.nodes.some(({ arc }) => arc)) return null
  const changed = run.nodes.findIndex((node, i) => !same(node, before[i]))
  if (changed === -1 && run.nodes.length === before.length) return object
  const grown = run.nodes.length - before.length
  const first = changed === -1 ? run.nodes.length : changed
  const k = Math.min(object.sides - 1, Math.floor((grown > 0 ? first - 1 : first) / per)),
    count = per + grown
  if (count < 1) return null
  const start = k * per,
    corner = run.nodes[start]!,
    next = run.nodes[(start + count) % run.nodes.length]!
  if (grown === 0 && first % per === 0 && moved(run.nodes[first]!, before[first]!))
    return cornerMoved(object, k, run.nodes[first]!)
  // A corner finished otherwise: so are all.
  if (
    grown === 0 &&
    first % per === 0 &&
    near(corner.out, before[start]!.out) &&
    (corner.corner !== undefined || corner.cornerStyle !== undefined)
  ) {
    return {
      ...object,
      ...(corner.corner !== undefined && { corner: corner.corner }),
      ...(corner.cornerStyle && { cornerStyle: corner.cornerStyle }),
    }
  }
  // A removed node must not be a corner, nor several nodes of different sides.
  if (grown !== 0 && (moved(corner, before[start]!) || moved(next, before[((k + 1) % object.sides) * per]!)))
    return null
  const side = sideOf(object.sides, k)
  const local = (p: Point, isPlace: boolean): Point => {
    const q = isPlace ? toCircle(object, p) : toCircle(object, p, true)
    const d = isPlace ? subtract(q, side.corner) : q,
      length = side.u.x ** 2 + side.u.y ** 2
    return { x: tidy((d.x * side.u.x + d.y * side.u.y) / length), y: tidy((d.x * side.v.x + d.y * side.v.y) / length) }
  }
  const nodes = run.nodes.slice(start + 1, start + count).map((node): Node => ({
    ...node,
    ...local(node, true),
    ...(node.in && { in: local(node.in, false) }),
    ...(node.out && { out: local(node.out, false) }),
  }))
  const { depth: _, side: __, ...rest } = object
  const own: PolygonSide = {
    ...(corner.out && { out: local(corner.out, false) }),
    ...(next.in && { in: local(next.in, false) }),
    nodes,
  }
  return (own.nodes.length === 0 && !own.out && !own.in ? rest : { ...rest, side: own }) as unknown as T
}

/** A place (or a vector) in the circle that a frame stretches. */
function toCircle(frame: Frame, p: Point, isVector = false): Point {
  const { x, y } = toFrameAxes(frame, isVector ? p : subtract(p, framePoint(frame, { x: 0.5, y: 0.5 })))
  return { x: (2 * x) / frame.w, y: (2 * y) / frame.h }
}

function cornerMoved<T extends Sided>(object: T, k: number, to: Point): T | null {
  const q = toCircle(object, to),
    reach = Math.hypot(q.x, q.y)
  if (reach < 1e-6) return null
  const centre = framePoint(object, { x: 0.5, y: 0.5 }),
    w = tidy(object.w * reach),
    h = tidy(object.h * reach)
  const by = (Math.atan2(q.y, q.x) * 180) / Math.PI - ((360 * k) / object.sides - 90)
  const turn = Math.abs(object.w - object.h) < SAME_POINT ? tidy(upright((object.turn ?? 0) + by)) : (object.turn ?? 0)
  const { turn: _, ...rest } = object
  return {
    ...rest,
    x: tidy(centre.x - w / 2),
    y: tidy(centre.y - h / 2),
    w,
    h,
    ...(turn !== 0 && { turn }),
  } as unknown as T
}

const upright = (degrees: number): number => ((((degrees + 180) % 360) + 360) % 360) - 180

const moved = (a: Point, b: Point): boolean => Math.hypot(a.x - b.x, a.y - b.y) > SAME_POINT

const near = (a: Point | undefined, b: Point | undefined): boolean => (a && b ? !moved(a, b) : a === b)

const same = (a: Node, b: Node | undefined): boolean =>
  b !== undefined &&
  near(a, b) &&
  near(a.in, b.in) &&
  near(a.out, b.out) &&
  a.kind === b.kind &&
  a.corner === b.corner &&
  a.cornerStyle === b.cornerStyle &&
  a.arc === b.arc &&
  a.join === b.join &&
  a.cap === b.cap
