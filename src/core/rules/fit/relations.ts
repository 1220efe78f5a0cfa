import { directionAt } from '../../geometry/slope'
import { distance, type Point } from '../../geometry/point'
import type { Segment } from '../../geometry/segment'
import { contacts } from './contacts'
import { equal } from './equal'
import type { Circle, Figure, Stretch } from './figure'
import type { Original } from './fit-losses'
import { constant, type Spot } from './form'
import { AXES } from './mark'
import { drawing, mirrored } from './mirrored'
import type { Relation } from './solve'
import { between, type Tied } from './tie'
import { touching } from './touching'
import { HARD, NEAR, SEEN, SHORT, SLIGHT } from './weights'

/** How nearly one stretch goes on as another, as a sine, so that no corner is meant. */
const SMOOTH = 0.02
/** How nearly level or plumb a stretch is that stays so, in units of the set's grid. */
const LEVEL = 1e-6

/**
 * Finds the relations between places of a figure. Relations by construction always hold (`built`); ties may be
 * released. `values` are the initial values of all unknowns: those of the figure, and one for the mirror line of each
 * symmetric contour.
 */
export function relationsOf(
  figure: Figure,
  { outlines, pairs, scale }: Original,
): { built: readonly Relation[]; ties: readonly Tied[]; values: number[] } {
  const built = figure.same.map(([a, b]) => equal(a, b, HARD))
  const ties: Tied[] = []
  const values = [...figure.values]
  for (const stretch of figure.stretches) {
    const relation = levelOf(stretch) ?? slantOf(stretch),
      { segment, from, to } = stretch
    if (!relation) continue
    if (segment.kind !== 'line' || relation.weight === HARD) built.push(relation)
    else ties.push({ tie: { kind: 'slant', spot: between(from, to, 0.5) }, relations: [relation] })
  }
  for (const joint of figure.joints) ties.push(...ofJoint(joint, figure.circles))
  ties.push(...contacts(figure, scale))
  ties.push(...touching(figure.circles, figure.stretches))
  for (const { contour, isEven, box } of outlines) {
    if (!isEven.x && !isEven.y) continue
    const along = drawing(contour, box, figure)
    for (const axis of AXES) if (isEven[axis]) ties.push(mirrored(figure, along, axis, box, scale, values))
  }
  for (const { axis, one, other, box } of pairs) {
    const along = new Set([one, other].flatMap((each) => [...drawing(each.contour, each.box, figure)]))
    ties.push(mirrored(figure, along, axis, box, scale, values))
  }
  return { built, ties, values }
}

/** A level or plumb line stays so. */
function levelOf({ segment, from, to }: Stretch): Relation | null {
  if (segment.kind !== 'line' || distance(segment.from, segment.to) < SHORT) return null
  if (Math.abs(segment.to.x - segment.from.x) < LEVEL) return equal(from.x, to.x, HARD)
  return Math.abs(segment.to.y - segment.from.y) < LEVEL ? equal(from.y, to.y, HARD) : null
}

/** Other stretches keep their direction, lines at 45° and the like more than others. */
function slantOf({ segment, from, to }: Stretch): Relation | null {
  const { x, y } = chord(segment)
  // What returns to where it began leads nowhere.
  if (Math.hypot(x, y) < SHORT) return null
  const turn = (Math.atan2(y, x) * 180) / Math.PI
  const isRound = Math.abs(turn / 15 - Math.round(turn / 15)) < 0.02
  return leading(from, to, { x, y }, isRound && segment.kind === 'line' ? SEEN : SLIGHT)
}

/** The way between two places leads in a direction. */
function leading(a: Spot, b: Spot, along: Point, weight: number): Relation {
  const long = Math.hypot(along.x, along.y)
  // A direction is a way between two places that do not move.
  const still = (p: Point): Spot => ({ was: p, x: constant(p.x), y: constant(p.y) })
  return {
    kind: 'parallel',
    weight,
    a,
    b,
    c: still({ x: 0, y: 0 }),
    d: still({ x: (1e3 * along.x) / long, y: (1e3 * along.y) / long }),
    cos: 1,
    sin: 0,
  }
}

/** Where one stretch goes on smoothly as the next, it goes on so. */
function ofJoint([one, next]: readonly [Stretch, Stretch], circles: readonly Circle[]): Tied[] {
  if (one.segment.kind === 'cubic' || next.segment.kind === 'cubic') return []
  if ([one, next].some(({ segment: { from, to } }) => distance(from, to) < SHORT)) return []
  const u = directionAt(one.segment, 1),
    v = directionAt(next.segment, 0)
  const cross = u.x * v.y - u.y * v.x,
    dot = u.x * v.x + u.y * v.y
  if (Math.abs(cross) > SMOOTH || dot < 0) return []
  // On a circle that keeps its middle the direction is that of the place on it.
  const isKept = (stretch: Stretch) =>
    stretch.segment.kind === 'arc' &&
    circles.some(
      ({ centre, was, run }) =>
        run === stretch.run &&
        [stretch.from, stretch.to].every((end) => Math.abs(distance(end.was, centre.was) - was) < NEAR),
    )
  const [a, b] = [isKept(one), isKept(next)]
  if (a && b) return []
  // A tangent that stays keeps the chord of a short arc or line where it is.
  const tied = (relation: Relation): Tied[] => [{ tie: { kind: 'smooth', spot: next.from }, relations: [relation] }]
  if (a) return tied(leading(next.from, next.to, chord(next.segment), HARD))
  if (b) return tied(leading(one.from, one.to, chord(one.segment), HARD))
  const by = turnBetween(chord(one.segment), chord(next.segment))
  return tied({
    kind: 'parallel',
    weight: HARD,
    a: one.from,
    b: one.to,
    c: next.from,
    d: next.to,
    cos: Math.cos(-by),
    sin: Math.sin(-by),
  })
}

const chord = ({ from, to }: Segment): Point => ({ x: to.x - from.x, y: to.y - from.y })
const turnBetween = (u: Point, v: Point): number => Math.atan2(u.x * v.y - u.y * v.x, u.x * v.x + u.y * v.y)
