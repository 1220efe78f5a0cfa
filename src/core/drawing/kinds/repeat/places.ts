import { segmentLength } from '../../../geometry/lengths'
import { type Point, subtract } from '../../../geometry/point'
import type { Segment } from '../../../geometry/segment'
import { directionAt } from '../../../geometry/slope'
import { placeOn } from '../../../outline/warp'
import { SAME_POINT } from '../../../geometry/tolerance'
import { apply, compose, rotation, type Transform, translation } from '../../../geometry/transform'
import { contourOf } from '../../model/nodes'
import type { Course, Repeat } from './schema'

/** Number of copies of a course, hidden ones included. */
export function countOf(course: Course): number {
  if (course.by === 'lattice') return course.columns * course.rows
  if (course.by === 'turn' || course.distance === undefined) return course.count
  return waysAlong(course, courseLength(course)).length
}

/** The maps that take the members to each of their copies, in order. */
export function placesOf({ course, from }: Pick<Repeat, 'course' | 'from'>): Transform[] {
  switch (course.by) {
    case 'turn':
      return around(course, from)
    case 'path':
      return alongPath(course, from)
    case 'lattice':
      return lattice(course)
  }
}

function around({ at, count, angle, upright }: Extract<Course, { by: 'turn' }>, from: Point): Transform[] {
  // A whole turn ends where it began.
  const isWhole = Math.abs(angle) === 360
  const step = count > 1 ? angle / (isWhole ? count : count - 1) : 0
  return Array.from({ length: count }, (_, i) => {
    const turn = rotation(i * step, at)
    if (!upright) return turn
    const to = apply(turn, from)
    return translation(to.x - from.x, to.y - from.y)
  })
}

function lattice({ columns, rows, across, down, shift = 0 }: Extract<Course, { by: 'lattice' }>): Transform[] {
  return Array.from({ length: columns * rows }, (_, i) => {
    const row = Math.floor(i / columns)
    const along = (i % columns) + (row % 2 === 1 ? shift : 0)
    return translation(along * across.x + row * down.x, along * across.y + row * down.y)
  })
}

type Along = Extract<Course, { by: 'path' }>

const segmentsOf = ({ run }: Along): readonly Segment[] => contourOf(run).segments
const courseLength = (course: Along): number =>
  segmentsOf(course).reduce((sum, segment) => sum + segmentLength(segment), 0)

/** How far along a course its copies are. */
function waysAlong({ run: { closed }, count, distance, inside }: Along, whole: number): number[] {
  if (distance !== undefined) {
    const first = inside ? distance : 0,
      last = closed || inside ? whole - SAME_POINT : whole + SAME_POINT
    const many = Math.max(0, Math.min(500, Math.floor((last - first) / distance) + 1))
    return Array.from({ length: many }, (_, i) => first + i * distance)
  }
  return Array.from({ length: count }, (_, i) => {
    if (closed) return (whole * i) / count
    if (inside) return (whole * (i + 1)) / (count + 1)
    return count === 1 ? 0 : (whole * i) / (count - 1)
  })
}

function alongPath(course: Along, from: Point): Transform[] {
  const segments = segmentsOf(course)
  const lengths = segments.map(segmentLength),
    whole = lengths.reduce((sum, length) => sum + length, 0)
  const first = angleOf(directionAt(segments[0]!, 0))
  return waysAlong(course, whole).map((way) => {
    const { at, direction } = placeOn(segments, lengths, way)
    const by = subtract(at, from)
    const move = translation(by.x, by.y)
    // As the members lie, they lie at its beginning.
    return course.turned ? compose(rotation(angleOf(direction) - first, at), move) : move
  })
}

const angleOf = ({ x, y }: Point): number => (Math.atan2(y, x) * 180) / Math.PI
