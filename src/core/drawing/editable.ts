import { distance } from '../geometry/point'
import { tidy } from '../geometry/tidy'
import { outline } from './evaluate'
import { frameCorners } from './frame'
import { nodesOf } from './nodes'
import { type DrawingObject, isStyled, type NodeRun, type PathObject, type Rectangle, type Styled } from './object'
import { foldedPolygon, polygonRun } from './polygon-side'
import { ellipsePath } from './shapes'
import { type Memory, remembered } from './memory'
import type { NamedValues } from './values'

/**
 * An object as a path whose nodes can be edited, with its corners still live; null for groups and mirrors, which have
 * no outline of their own. The same object always gives the same path.
 */
export function editable(object: DrawingObject, values: NamedValues): PathObject | null {
  if (object.kind === 'path') return object
  if (!isStyled(object)) return null
  return remembered(paths, values, object, () => {
    const contours = runsOf(object, values)
    if (contours.length === 0) return null
    const { id, name, role, hidden, locked, opacity, style } = object
    const corners =
      'corner' in object
        ? { corner: object.corner, ...(object.cornerStyle && { cornerStyle: object.cornerStyle }) }
        : { corner: 0 }
    return {
      kind: 'path',
      id,
      name,
      ...(role && { role }),
      ...(hidden && { hidden }),
      ...(locked && { locked }),
      ...(opacity !== undefined && { opacity }),
      ...corners,
      contours,
      style,
    }
  })
}

const paths: Memory<NamedValues, DrawingObject, PathObject | null> = new WeakMap()

function runsOf(object: Exclude<Styled, PathObject>, values: NamedValues): NodeRun[] {
  switch (object.kind) {
    case 'rectangle':
      return [
        {
          closed: true,
          nodes: frameCorners(object).map(({ x, y }, i) => ({
            x: tidy(x),
            y: tidy(y),
            ...(object.corners && { corner: object.corners[i]! }),
          })),
        },
      ]
    case 'polygon':
      return [polygonRun(object)]
    case 'ellipse':
      return ellipsePath(object).map((contour) => nodesOf(contour))
    case 'arrow':
      // Its corners as they are before they are finished.
      return outline({ ...object, corner: 0 }, values).map((contour) => nodesOf(contour))
    default:
      return outline(object, values).map((contour) => nodesOf(contour))
  }
}

/**
 * What an edit of an object's nodes comes to, and what of it is no longer live where the object could not express it.
 */
export type Edited = { readonly object: DrawingObject; readonly lost: string | null }

/** The object after its nodes were edited as a path: still live where it can be, else the path itself. */
export function afterEdit(object: DrawingObject, path: PathObject): Edited {
  if (object.kind === 'path')
    return { object: path.contours === object.contours ? path : withoutTrace(path), lost: null }
  if (object.kind === 'polygon') {
    const folded = foldedPolygon(object, path)
    if (folded) return { object: folded, lost: null }
  }
  if (object.kind === 'rectangle') {
    const cornered = withCorners(object, path)
    if (cornered) return { object: cornered, lost: null }
  }
  if (object.kind === 'line') {
    const [run] = path.contours,
      [from, to, ...more] = run?.nodes ?? []
    if (from && to && more.length === 0 && !run!.closed && !from.out && !to.in)
      return { object: { ...object, from: { x: from.x, y: from.y }, to: { x: to.x, y: to.y } }, lost: null }
  }
  return { object: path, lost: LOST[object.kind] ?? 'its own numbers' }
}

/** A rectangle of which only corners were finished otherwise; null when more was edited. */
function withCorners(object: Rectangle, path: PathObject): Rectangle | null {
  const [run, ...more] = path.contours,
    places = frameCorners(object)
  const kept =
    run?.closed &&
    more.length === 0 &&
    run.nodes.length === 4 &&
    run.nodes.every(
      (node, i) =>
        distance(node, places[i]!) < 1e-9 && !node.in && !node.out && !node.arc && !node.cornerStyle && !node.join,
    )
  if (!kept) return null
  const corners = run.nodes.map(({ corner }) => corner ?? object.corner)
  const { corners: _, ...rest } = object
  return corners.every((corner) => corner === corners[0]) ? { ...rest, corner: corners[0]! } : { ...rest, corners }
}

/** A path whose nodes were touched is no longer what the hand drew. */
function withoutTrace({ trace: _, ...path }: PathObject): PathObject {
  return path
}

/** What each kind gives up when it becomes a path. */
const LOST: Partial<Record<DrawingObject['kind'], string>> = {
  rectangle: 'width, height and turn as numbers',
  ellipse: 'its diameters and angles as numbers',
  polygon: 'its number of sides',
  arrow: 'head and shaft as numbers',
  spiral: 'its turns as a number',
  text: 'its words',
  assembly: 'its members',
}
