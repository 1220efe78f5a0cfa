import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import { type Box, boxAbout, boxCentre } from '../geometry/box'
import { type Curve, curveOf } from '../geometry/curve'
import { ellipse, type Path } from '../geometry/path'
import type { Point } from '../geometry/point'
import { pointAt, type Segment } from '../geometry/segment'
import { extent } from '../drawing/evaluate/extent'
import { editable } from '../drawing/edit/editable'
import { outline } from '../drawing/evaluate/evaluate'
import { framePoint } from '../drawing/model/frame'
import type { Guide } from '../drawing/model/guide'
import { type DrawingObject, isCornered, isFramed } from '../drawing/objects/object'
import type { Rules } from '../rules/rules'
import { SAME_POINT } from '../geometry/tolerance'

/** A snap position on one axis, with a label of a word or two; `isDrawn` if it is of an object or a guide, not of the rules. */
export type SnapLine = { readonly value: number; readonly label: string; readonly isDrawn?: true }

export type SnapPoint = { readonly at: Point; readonly label: string }

/** Which things are snapped to. */
export type SnapSwitches = {
  readonly grid: boolean
  readonly keylines: boolean
  readonly guides: boolean
  readonly nodes: boolean
  /** Centres, middles of segments and quadrants. */
  readonly middles: boolean
  readonly crossings: boolean
  /** Tangents and perpendiculars. */
  readonly tangents: boolean
  readonly extensions: boolean
  /** Equal gaps and equal sizes. */
  readonly gaps: boolean
  /** Any place of an edge. */
  readonly edges: boolean
}

/**
 * What positions can snap to in a square. `step` is null when the grid is off; `boxes` are those of the other objects.
 */
export type SnapTargets = {
  readonly xs: readonly SnapLine[]
  readonly ys: readonly SnapLine[]
  readonly points: readonly SnapPoint[]
  readonly curves: readonly Curve[]
  /** The edges of objects and guides: a circle may touch them. */
  readonly edges: readonly Curve[]
  readonly boxes: readonly Box[]
  /** What curves of the rules are called. */
  readonly names: ReadonlyMap<Curve, string>
  readonly step: number | null
  readonly on: SnapSwitches
}

/** Default snaps: all except arbitrary points of edges. */
export const SNAPS: SnapSwitches = {
  grid: true,
  keylines: true,
  guides: true,
  nodes: true,
  middles: true,
  crossings: true,
  tangents: true,
  extensions: true,
  gaps: true,
  edges: false,
}

/** Everything to snap to: square, live area and keylines from the rules, guides, and what the objects given have. */
export function snapTargets(
  rules: Rules,
  objects: readonly DrawingObject[],
  on: SnapSwitches,
  guides: readonly Pick<Guide, 'at' | 'angle'>[] = [],
): SnapTargets {
  const xs: SnapLine[] = [],
    ys: SnapLine[] = [],
    points: SnapPoint[] = [],
    names = new Map<Curve, string>(),
    edges: Curve[] = [],
    boxes: Box[] = []
  const { size } = rules.grid
  const lines = ({ x, y, w, h }: Box, label: string, centre: string | null, drawn?: { isDrawn: true }) => {
    xs.push({ value: x, label, ...drawn }, { value: x + w, label, ...drawn })
    ys.push({ value: y, label, ...drawn }, { value: y + h, label, ...drawn })
    if (centre === null) return
    xs.push({ value: x + w / 2, label: centre, ...drawn })
    ys.push({ value: y + h / 2, label: centre, ...drawn })
  }
  if (on.keylines) {
    const middle = { x: size / 2, y: size / 2 }
    lines(boxAbout(middle, size, size), 'square edge', 'square centre')
    lines(boxAbout(middle, rules.liveArea, rules.liveArea), 'live area', null)
    for (const { name, shape, w, h } of rules.keylines) {
      lines(boxAbout(middle, w, h), `${name} keyline`, null)
      if (shape === 'ellipse')
        for (const segment of ellipse(middle, w / 2, h / 2).segments) names.set(curveOf(segment), `${name} keyline`)
    }
    points.push({ at: middle, label: 'square centre' })
  }
  if (on.guides) {
    for (const { at, angle } of guides) {
      if (angle % 180 === 0) ys.push({ value: at.y, label: 'guide', isDrawn: true })
      else if (angle % 90 === 0) xs.push({ value: at.x, label: 'guide', isDrawn: true })
      else edges.push(curveOf(alongGuide(at, angle, 2 * size)))
    }
  }
  for (const object of objects) {
    if (object.hidden) continue
    const around = extent(object, sceneOf(rules)),
      path = outline(object, sceneOf(rules))
    boxes.push(around)
    if (on.nodes) lines(around, 'edge', on.middles ? 'centre' : null, { isDrawn: true })
    if (on.middles)
      points.push({
        at: isFramed(object) ? framePoint(object, { x: 0.5, y: 0.5 }) : boxCentre(around),
        label: 'centre',
      })
    points.push(...placesOf(path, on))
    // Where a corner is rounded, the node that it belongs to as well.
    if (on.nodes && isCornered(object))
      for (const { nodes } of editable(object, sceneOf(rules))?.contours ?? [])
        points.push(...nodes.map(({ x, y }) => ({ at: { x, y }, label: 'node' })))
    for (const { segments } of path) edges.push(...segments.filter(isSomewhere).map(curveOf))
  }
  return {
    xs,
    ys,
    points,
    curves: [...names.keys(), ...edges],
    edges,
    boxes,
    names,
    step: on.grid ? rules.grid.step : null,
    on,
  }
}

/** A guide as a segment that reaches far beyond the square. */
export function alongGuide({ x, y }: Point, angle: number, reach: number): Segment {
  const radians = (angle * Math.PI) / 180,
    dx = reach * Math.cos(radians),
    dy = -reach * Math.sin(radians)
  return { kind: 'line', from: { x: x - dx, y: y - dy }, to: { x: x + dx, y: y + dy } }
}

const isSomewhere = ({ kind, from, to }: Segment): boolean => kind !== 'line' || from.x !== to.x || from.y !== to.y

/** The nodes of a path, the middles of its segments and the quadrants of its circles. */
function placesOf(path: Path, on: SnapSwitches): SnapPoint[] {
  const places: SnapPoint[] = []
  for (const { segments, closed } of path) {
    for (const segment of segments) {
      if (on.nodes) places.push({ at: segment.from, label: 'node' })
      if (!on.middles) continue
      places.push({ at: pointAt(segment, 0.5), label: 'middle' })
      if (segment.kind === 'arc') places.push(...quadrants(segment))
    }
    const last = segments[segments.length - 1]
    if (on.nodes && last && !closed) places.push({ at: last.to, label: 'node' })
  }
  return places
}

/** The places of an arc farthest to the left, right, top and bottom of its ellipse. */
function quadrants(segment: Segment): SnapPoint[] {
  const { box, round } = curveOf(segment)
  if (!round) return []
  const { centre, u, v } = round
  const reachX = Math.hypot(u.x, v.x),
    reachY = Math.hypot(u.y, v.y)
  const across = (u.x * u.y + v.x * v.y) / reachX,
    down = (u.x * u.y + v.x * v.y) / reachY
  const all: Point[] = [
    { x: centre.x + reachX, y: centre.y + across },
    { x: centre.x - reachX, y: centre.y - across },
    { x: centre.x + down, y: centre.y + reachY },
    { x: centre.x - down, y: centre.y - reachY },
  ]
  const near = SAME_POINT
  return all
    .filter(
      ({ x, y }) => x >= box.x - near && x <= box.x + box.w + near && y >= box.y - near && y <= box.y + box.h + near,
    )
    .map((at) => ({ at, label: 'quadrant' }))
}
