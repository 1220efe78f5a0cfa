import type { DrawingObject } from '../../../drawing/objects/object'
import { transformPath } from '../../../geometry/path'
import { distance, type Point } from '../../../geometry/point'
import { circleThrough } from '../../../geometry/solve'
import { tidy } from '../../../geometry/tidy'
import { rotation } from '../../../geometry/transform'
import { isSameOutline } from '../../../outline/same-outline'
import { shortest } from '../live'
import { inPlaceOf, mayBeOne } from './painting-order'
import { groupsOf, type Piece } from './piece'

/** The fewest turned copies that are a repeat, the fewest that are one where they leave room, and the least and the largest angle between these, in degrees. */
const FEW = 3,
  LEAST = 5,
  FAN = 61

/** Least distance of copies from the centre of a repeat, in tolerances: nearer ones are about their own centre. */
const OUT = 50

/** Equal objects that are each other's images turned about a place, as a repeat of one of them. */
export function turnedBack(objects: readonly DrawingObject[], within: number): readonly DrawingObject[] {
  let next = objects
  for (const group of groupsOf(objects, within, FEW)) {
    const course = courseOf(group, within)
    const gone = new Set(group.map(({ object }) => object))
    if (!course || !mayBeOne(next, gone)) continue
    const { object, centre } = course.first
    const repeat = {
      kind: 'repeat',
      id: `${object.id}-turned`,
      name: `${object.name} turned`,
      from: { x: tidy(centre.x), y: tidy(centre.y) },
      course: { by: 'turn', at: course.at, count: group.length, angle: course.angle },
      members: [object],
    } as unknown as DrawingObject
    next = inPlaceOf(next, gone, repeat)
  }
  return next
}

type Course = { readonly first: Piece; readonly at: Point; readonly angle: number }

/** How equal objects go around a place; null where they do not, all of them, with one angle between them. */
function courseOf(group: readonly Piece[], within: number): Course | null {
  const circle = circleThrough(group[0]!.centre, group[1]!.centre, group[2]!.centre)
  if (!circle) return null
  const at = { x: shortest(circle.centre.x, 2 * within), y: shortest(circle.centre.y, 2 * within) }
  const radius = distance(group[0]!.centre, at)
  if (radius < OUT * within || group.some(({ centre }) => Math.abs(distance(centre, at) - radius) > 2 * within))
    return null
  const turnOf = ({ centre }: Piece) => (Math.atan2(centre.y - at.y, centre.x - at.x) * 180) / Math.PI
  const sorted = group.toSorted((a, b) => turnOf(a) - turnOf(b))
  const steps = sorted.map((one, i) => (turnOf(sorted[(i + 1) % sorted.length]!) - turnOf(one) + 360) % 360)
  // The widest step is what a fan leaves open; all around there is none.
  const open = steps.indexOf(Math.max(...steps))
  const ordered = [...sorted.slice(open + 1), ...sorted.slice(0, open + 1)]
  const isWhole = Math.max(...steps) - Math.min(...steps) < 1
  const step = isWhole
    ? 360 / group.length
    : shortest((turnOf(ordered.at(-1)!) - turnOf(ordered[0]!) + 360) % 360, 0.2) / (group.length - 1)
  if (step < LEAST || (!isWhole && (step > FAN || isRound(group[0]!, step, within)))) return null
  const isImage = (one: Piece, i: number) =>
    isSameOutline(transformPath(ordered[0]!.edge, rotation(i * step, at)), one.edge, within)
  if (!ordered.every(isImage)) return null
  return { first: ordered[0]!, at, angle: isWhole ? 360 : tidy(step * (group.length - 1)) }
}

/** Whether a piece turned about its own middle is the same: nothing tells that its copies were turned. */
const isRound = ({ edge, centre }: Piece, step: number, within: number): boolean =>
  isSameOutline(transformPath(edge, rotation(step, centre)), edge, within)
