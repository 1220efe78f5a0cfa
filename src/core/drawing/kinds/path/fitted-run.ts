import { type ArcCentre, arcCentre } from '../../../geometry/arc'
import type { Point } from '../../../geometry/point'
import { tidy } from '../../../geometry/tidy'
import { type Fitting, fittedPlace } from '../../model/fitting'
import type { Node, NodeRun } from '../../model/node'
import { segmentBetween } from '../../model/nodes'

/** A stretch of a run along one circle: its first segment, how many there are, and the circle. */
export type RoundStretch = {
  readonly at: number
  readonly count: number
  readonly centre: Point
  readonly r: number
  readonly extent: number
}

/** From how much of a circle on its middle is kept, rather than the places of its ends: a little under half of it. */
const ROUND = 2.9
/** How far from a quarter the arc of a rounded corner may be, in radians. */
const CORNER = 0.02

/** The stretches of a run that follow one circle, those that go on across its first node as one. */
export function roundStretches({ nodes, closed }: NodeRun): RoundStretch[] {
  const count = closed ? nodes.length : nodes.length - 1
  const circles = Array.from({ length: count }, (_, i) => circleFrom(nodes[i]!, nodes[(i + 1) % nodes.length]!))
  const isOn = (a: ArcCentre | null, b: ArcCentre | null) =>
    a !== null &&
    b !== null &&
    Math.hypot(a.centre.x - b.centre.x, a.centre.y - b.centre.y) < 1e-4 * a.rx &&
    Math.abs(a.rx - b.rx) < 1e-4 * a.rx &&
    a.extent * b.extent > 0
  const first = closed ? circles.findIndex((one, i) => !isOn(circles[(i + count - 1) % count]!, one)) : 0
  if (first < 0) return [stretchOf(circles, 0, count)]
  const found: RoundStretch[] = []
  for (let k = 0; k < count;) {
    const at = (first + k) % count
    let length = 1
    while (k + length < count && isOn(circles[(at + length - 1) % count]!, circles[(at + length) % count]!)) length++
    if (circles[at]) found.push(stretchOf(circles, at, length))
    k += length
  }
  return found
}

function stretchOf(circles: readonly (ArcCentre | null)[], at: number, count: number): RoundStretch {
  const { centre, rx } = circles[at]!
  const extent = Array.from({ length: count }, (_, k) => circles[(at + k) % circles.length]!.extent)
  return { at, count, centre, r: rx, extent: Math.abs(extent.reduce((sum, one) => sum + one, 0)) }
}

function circleFrom(a: Node, b: Node): ArcCentre | null {
  if (!a.arc || a.arc.rx !== a.arc.ry) return null
  const segment = segmentBetween(a, b)
  return segment.kind === 'arc' ? arcCentre(segment) : null
}

/** The radius of a rounded corner on another grid: the nearest half, or in proportion where that is 0. */
export const cornerRadius = (r: number, scale: number): number => Math.round(2 * r * scale) / 2 || r * scale

/** Whether a node of a run of so many lies between two round stretches, so that neither has it for itself. */
export const isShared = (node: number, stretches: readonly RoundStretch[], of: number): boolean =>
  stretches.filter(({ at, count }) => at === node || (at + count) % of === node).length > 1

/** Whether a stretch keeps its circle's middle when it is fitted. */
export const keepsMiddle = ({ extent }: RoundStretch): boolean => extent > ROUND

/** The corner that a quarter of a circle rounds, where its ends lie level and plumb from it; null for other arcs. */
export function roundedCorner({ nodes }: NodeRun, { at, count, centre, extent }: RoundStretch): Point | null {
  if (count !== 1 || Math.abs(extent - Math.PI / 2) > CORNER) return null
  const a = nodes[at]!,
    b = nodes[(at + 1) % nodes.length]!
  const corner = { x: a.x + b.x - centre.x, y: a.y + b.y - centre.y }
  const isLevel = (p: Point) => Math.min(Math.abs(p.x - corner.x), Math.abs(p.y - corner.y)) < 1e-3
  return isLevel(a) && isLevel(b) ? corner : null
}

/**
 * A run on another grid. Nodes go where their coordinates go; most of a circle stays one about where its middle goes,
 * the quarter that rounds a corner stays one at where the corner goes, other arcs keep their height in proportion to
 * their chord, and handles follow the two nodes they lie between. Smooth nodes stay smooth.
 */
export function fittedRun(run: NodeRun, to: Fitting): NodeRun {
  const { nodes, closed } = run
  const places = nodes.map((node) => fittedPlace(node, to))
  const radii = new Map<number, number>()
  const corners = new Map<number, number>()
  const stretches = roundStretches(run)
  const rounded = stretches.map((one) => (keepsMiddle(one) ? null : roundedCorner(run, one)))
  stretches.forEach((stretch, i) => {
    const { at, count, r } = stretch
    const corner = rounded[i]
    const ends = [at, (at + 1) % nodes.length]
    if (!corner || ends.some((end) => isShared(end, stretches, nodes.length))) return
    const k = fittedPlace(corner, to)
    const reach = ends.map((end) => {
      const beyond = end === at ? (at + nodes.length - 1) % nodes.length : (at + count + 1) % nodes.length
      const away = places[beyond]!
      return Math.max(Math.abs(away.x - k.x), Math.abs(away.y - k.y))
    })
    const small = Math.min(cornerRadius(r, to.scale), ...reach)
    for (const end of ends)
      places[end] = {
        x: tidy(k.x + Math.sign(nodes[end]!.x - corner.x) * (Math.abs(nodes[end]!.x - corner.x) < 1e-3 ? 0 : small)),
        y: tidy(k.y + Math.sign(nodes[end]!.y - corner.y) * (Math.abs(nodes[end]!.y - corner.y) < 1e-3 ? 0 : small)),
      }
    corners.set(at, small)
  })
  for (const stretch of stretches.filter(keepsMiddle)) {
    const { centre, r, at, count } = stretch
    const middle = fittedPlace(centre, to)
    const next = to.radius?.(centre, r) ?? wholeRadius(centre, r, to)
    for (let k = 0; k <= count; k++) {
      const node = (at + k) % nodes.length
      if (k > 0 && node === at) break
      places[node] = {
        x: tidy(middle.x + ((nodes[node]!.x - centre.x) * next) / r),
        y: tidy(middle.y + ((nodes[node]!.y - centre.y) * next) / r),
      }
    }
    for (let k = 0; k < count; k++) radii.set((at + k) % nodes.length, next)
  }
  const next = nodes.map((node, i): Node => {
    const moved: Node = { ...node, ...places[i]! }
    const after = (i + 1) % nodes.length,
      before = (i + nodes.length - 1) % nodes.length
    if (node.out) moved.out = scaledHandle(node.out, stretchBetween(nodes, places, i, after, to.scale))
    if (node.in) moved.in = scaledHandle(node.in, stretchBetween(nodes, places, before, i, to.scale))
    if (node.arc) moved.arc = { ...node.arc, ...radiiOf(i, after) }
    return isSmooth(node) ? inLine(node, moved) : moved
  })
  return { closed, nodes: next }

  function radiiOf(i: number, after: number) {
    const { rx, ry } = nodes[i]!.arc!
    const whole = radii.get(i) ?? corners.get(i)
    if (whole !== undefined) return { rx: tidy(whole), ry: tidy(whole) }
    const chord = Math.hypot(nodes[after]!.x - nodes[i]!.x, nodes[after]!.y - nodes[i]!.y)
    const by =
      chord > 0 ? Math.hypot(places[after]!.x - places[i]!.x, places[after]!.y - places[i]!.y) / chord : to.scale
    return { rx: tidy(rx * by) || rx * to.scale, ry: tidy(ry * by) || ry * to.scale }
  }
}

/** The radius of a circle whose sides go where their coordinates go, by the mean of both axes. */
export const wholeRadius = ({ x, y }: Point, r: number, to: Fitting): number =>
  (to.x(x + r) - to.x(x - r) + to.y(y + r) - to.y(y - r)) / 4

type Stretching = { readonly x: number; readonly y: number }

/** By how much the way from one node to another is stretched along each axis, as far as it leads along it. */
function stretchBetween(
  nodes: readonly Point[],
  places: readonly Point[],
  a: number,
  b: number,
  scale: number,
): Stretching {
  const along = (key: 'x' | 'y') => {
    const was = nodes[b]![key] - nodes[a]![key],
      is = places[b]![key] - places[a]![key]
    return Math.abs(was) < 0.5 ? scale : Math.max(scale / 2, Math.min(scale * 2, is / was))
  }
  return { x: along('x'), y: along('y') }
}

const scaledHandle = (handle: Point, by: Stretching): { x: number; y: number } => ({
  x: tidy(handle.x * by.x),
  y: tidy(handle.y * by.y),
})

/** Whether both handles of a node lie in one line. */
function isSmooth({ in: back, out }: Node): boolean {
  if (!back || !out) return false
  const cross = back.x * out.y - back.y * out.x
  return (
    Math.abs(cross) < 1e-3 * Math.hypot(back.x, back.y) * Math.hypot(out.x, out.y) &&
    back.x * out.x + back.y * out.y < 0
  )
}

/** Makes the handles of a node collinear again: along the mean of their directions, with their lengths. */
function inLine(before: Node, node: Node): Node {
  const back = node.in!,
    out = node.out!
  const inLength = Math.hypot(back.x, back.y),
    outLength = Math.hypot(out.x, out.y)
  // Horizontal and vertical handles stay exact.
  if (before.out!.x === 0 || before.out!.y === 0) return node
  const x = out.x / outLength - back.x / inLength,
    y = out.y / outLength - back.y / inLength
  const length = Math.hypot(x, y)
  if (length < 1e-9) return node
  return {
    ...node,
    in: { x: tidy((-x / length) * inLength), y: tidy((-y / length) * inLength) },
    out: { x: tidy((x / length) * outLength), y: tidy((y / length) * outLength) },
  }
}
