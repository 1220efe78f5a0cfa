import type { NodeRun } from '../../drawing/model/node'
import { nodesOf } from '../../drawing/model/nodes'
import type { DrawingObject } from '../../drawing/objects/object'
import type { Style } from '../../drawing/model/style'
import { OutOfTime } from '../../geometry/deadline'
import type { Contour, Path } from '../../geometry/path'
import { distance, type Point } from '../../geometry/point'
import { line } from '../../geometry/segment'
import { tidy } from '../../geometry/tidy'
import { SAME_POINT } from '../../geometry/tolerance'
import { recognise } from '../../outline/recognise'
import { arrange } from '../../planar/arrangement'
import { combine, type FillRule } from '../../planar/boolean'
import { closed } from './closed'
import { cutOut } from './cut-out'
import { isNarrowCircle, liveShape, type Live } from './live'

/** An outline in units of the square, with its finish, fill rule and name. */
export type Drawn = {
  readonly path: Path
  readonly style: Style
  readonly rule: FillRule
  readonly name: string
}

/** How a drawing is taken over: as shapes with their own numbers where it can be, or as the paths it was written as. */
export type Understanding = 'live' | 'drawn'

/** Gives the ids of one icon's objects, in order. */
export type Ids = () => string

export const counting = (): Ids => {
  let count = 0
  return () => `o${++count}`
}

/**
 * Objects for an outline, in paint order. Contours that are only stroked become one object each; a whole shape with
 * whole shapes cut out becomes an assembly. `within` is the tolerance of live shapes.
 */
export function objectsOf(drawn: Drawn, how: Understanding, within: number, ids: Ids): DrawingObject[] {
  const { style, name } = drawn
  const closings = withoutSpecks(drawn.path).map((contour) => closed(contour, style, within))
  const path = filledAlike(
    recognise(
      closings.map(({ contour }) => contour),
      within,
    ),
    drawn,
  )
  if (path.length === 0) return []
  const joins = closings.flatMap(({ contour, join }) => (join ? [{ at: contour.segments[0]!.from, join }] : []))
  const joinAt = (at: Point) => joins.find((one) => distance(one.at, at) <= within)?.join
  const runOf = (contour: Contour): NodeRun => {
    const run = nodesOf(contour)
    return { ...run, nodes: run.nodes.map((node) => ({ ...node, ...(joinAt(node) && { join: joinAt(node) }) })) }
  }
  const one = (contours: Path, label: string): DrawingObject => {
    const [only] = contours
    const isLive = how === 'live' && contours.length === 1 && !only!.segments.some(({ from }) => joinAt(from))
    const live = isLive ? liveShape(only!, within) : null
    const disc = live && discOf(live, style)
    if (disc) return { ...disc, id: ids(), name: label } as unknown as DrawingObject
    return object(live ?? { kind: 'path', corner: 0, contours: contours.map(runOf) }, label)
  }
  const object = (own: Live, label: string): DrawingObject =>
    ({ ...own, id: ids(), name: label, style }) as unknown as DrawingObject
  if (how === 'drawn' || path.length === 1) return [one(path, name)]
  const isOnlyStroked = style.fill === 'none' && (style.strokeOpacity ?? 1) === 1
  if (isOnlyStroked) return path.map((contour, i) => one([contour], `${name} ${i + 1}`))
  return [style.stroke === 'none' ? (cutOut(path, style, name, within, ids) ?? one(path, name)) : one(path, name)]
}

/** The filled disc that a stroked circle paints whose radius is below half its weight; null for other shapes. */
function discOf(live: Live, style: Style): Live | null {
  const { fill, stroke, strokeOpacity, weight, dash } = style
  if (fill !== 'none' || typeof stroke !== 'string' || stroke === 'none' || dash) return null
  if (typeof weight !== 'number' || !isNarrowCircle(live, weight)) return null
  const { x, y, w, h } = live
  const disc: Style = {
    fill: stroke,
    ...(strokeOpacity !== undefined && { fillOpacity: strokeOpacity }),
    stroke: 'none',
    weight,
  }
  const half = weight / 2
  return {
    kind: 'ellipse',
    x: tidy(x - half),
    y: tidy(y - half),
    w: tidy(w + weight),
    h: tidy(h + weight),
    style: disc,
  }
}

/** Contours without segments that go nowhere; one that is nothing but a point keeps a line, which is a dot. */
function withoutSpecks(path: Path): Path {
  return path.flatMap(({ segments, closed }): Contour[] => {
    const goes = segments.filter(
      (one) =>
        distance(one.from, one.to) > SAME_POINT ||
        (one.kind === 'arc' && one.large) ||
        (one.kind === 'cubic' && distance(one.from, one.c1) + distance(one.to, one.c2) > SAME_POINT),
    )
    const [first] = segments
    if (goes.length > 0) return [{ segments: goes, closed }]
    return first ? [{ segments: [line(first.from, first.from)], closed: false }] : []
  })
}

/** A path that the nonzero rule fills as the rule it was written for does. */
function filledAlike(path: Path, { style, rule }: Drawn): Path {
  if (style.fill === 'none' || rule === 'nonzero') return path
  try {
    const { windings } = arrange([path])
    if (windings.every(([times]) => Math.abs(times!) <= 1)) return path
    return combine([{ path, role: 'adds' }], 'evenodd')
  } catch (error) {
    if (error instanceof OutOfTime) throw error
    return path
  }
}
