import { curveOf, type Curve } from '../../geometry/curve'
import { nearestOnCurve } from '../../geometry/nearest'
import { type Box, boxContains } from '../../geometry/box'
import type { Contour } from '../../geometry/path'
import { distance, type Point } from '../../geometry/point'
import { pointAt, type Segment, segmentBounds } from '../../geometry/segment'
import { directionAt } from '../../geometry/slope'
import type { Circle, Figure, Stretch } from './figure'
import { constant, type Form, type Spot, sumOf, unknown } from './form'
import type { Original } from './flaws'
import { across, AXES, type Length } from './mark'
import type { Relation } from './solve'

/** Weights, in squares: of what makes another picture of it where it is missed, of what is seen, of what is nice. */
export const HARD = 1e6
const SEEN = 4,
  SLIGHT = 0.3

/** Places nearer than this are one, in units of the set's grid: as near as icons are drawn by hand. */
const NEAR = 0.02
/** How nearly one stretch goes on as another, as a sine, so that no corner is meant. */
const SMOOTH = 0.02
/** Stretches whose ends are nearer than this, in units of the set's grid, have no direction. */
const SHORT = 1e-6
/** How nearly level or plumb a stretch is that stays so, in units of the set's grid. */
const LEVEL = 1e-6

/** What relates the places of a figure, found where it was drawn; `evens` are its contours that are their own mirror images. */
export function relationsOf(
  figure: Figure,
  { outlines, scale }: Original,
): { relations: Relation[]; values: number[] } {
  const relations: Relation[] = figure.same.map(([a, b]) => equal(a, b, HARD))
  const values = [...figure.values]
  for (const stretch of figure.stretches) relations.push(...ofStretch(stretch))
  for (const joint of figure.joints) relations.push(...ofJoint(joint, figure.circles))
  relations.push(...contacts(figure, scale))
  relations.push(...touching(figure.circles, figure.stretches))
  for (const { contour, isEven, box } of outlines) {
    if (!isEven.x && !isEven.y) continue
    const along = drawing(contour, box, figure)
    for (const axis of AXES) if (isEven[axis]) relations.push(...mirrored(figure, along, axis, box, scale, values))
  }
  return { relations, values }
}

const equal = (a: Form, b: Form, weight: number): Relation => ({
  kind: 'sum',
  weight,
  form: sumOf([
    [1, a],
    [-1, b],
  ]),
})

/** Level and plumb stretches stay so; slanted ones keep their direction, those at 45° and the like more than others. */
function ofStretch({ segment, from, to }: Stretch): Relation[] {
  const dx = segment.to.x - segment.from.x,
    dy = segment.to.y - segment.from.y
  // What returns to where it began leads nowhere.
  if (Math.hypot(dx, dy) < SHORT) return []
  if (segment.kind === 'line') {
    if (Math.abs(dx) < LEVEL) return [equal(from.x, to.x, HARD)]
    if (Math.abs(dy) < LEVEL) return [equal(from.y, to.y, HARD)]
  }
  const turn = (Math.atan2(dy, dx) * 180) / Math.PI
  const isRound = Math.abs(turn / 15 - Math.round(turn / 15)) < 0.02
  return [leading(from, to, { x: dx, y: dy }, isRound && segment.kind === 'line' ? SEEN : SLIGHT)]
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
function ofJoint([one, next]: readonly [Stretch, Stretch], circles: readonly Circle[]): Relation[] {
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
  if (a) return [along(next, v)]
  if (b) return [along(one, u)]
  const by = turnBetween(chord(one.segment), chord(next.segment))
  return [
    {
      kind: 'parallel',
      weight: HARD,
      a: one.from,
      b: one.to,
      c: next.from,
      d: next.to,
      cos: Math.cos(-by),
      sin: Math.sin(-by),
    },
  ]

  /** A stretch whose tangent at the joint stays: its chord does. */
  function along(stretch: Stretch, _: Point): Relation {
    return leading(stretch.from, stretch.to, chord(stretch.segment), HARD)
  }
}

const chord = ({ from, to }: Segment): Point => ({ x: to.x - from.x, y: to.y - from.y })
const turnBetween = (u: Point, v: Point): number => Math.atan2(u.x * v.y - u.y * v.x, u.x * v.x + u.y * v.y)

/** Places that lie on stretches of other runs, or on an edge of their strokes, lie there again. */
function contacts({ spots, stretches, circles }: Figure, scale: number): Relation[] {
  const found: Relation[] = []
  const curves = new Map<Stretch, Curve>()
  const ends = new Map<Spot, Set<number>>()
  for (const { from, to, run } of stretches)
    for (const spot of [from, to]) ends.set(spot, (ends.get(spot) ?? new Set()).add(run))
  for (const stretch of stretches) {
    const { segment, from, to, half } = stretch
    const isOnCircle =
      segment.kind === 'arc' &&
      circles.some(({ centre, run }) => run === stretch.run && isHung(from, centre) && isHung(to, centre))
    if (isOnCircle) continue
    const reach = (half?.was ?? 0) + NEAR
    const box = segmentBounds(segment)
    for (const p of spots) {
      if (p === from || p === to || !ends.has(p)) continue
      if (distance(p.was, from.was) < 1e-4 || distance(p.was, to.was) < 1e-4) continue
      if (!boxContains(box, p.was, reach)) continue
      let curve = curves.get(stretch)
      if (!curve) curves.set(stretch, (curve = curveOf(segment)))
      const { t, at, distance: away } = nearestOnCurve(curve, p.was)
      if (away > reach) continue
      const isOn = away <= NEAR,
        isAtEdge = half !== null && Math.abs(away - half.was) <= NEAR
      if (t === 0 || t === 1) {
        if (isOn) found.push(...together(p, t === 0 ? from : to, scale))
        continue
      }
      found.push(...onStretch(stretch, p, t, at, HARD, isAtEdge && !isOn, scale))
    }
  }
  for (const { centre, r, was, half, run } of circles)
    for (const [p, runs] of ends) {
      if (runs.has(run)) continue
      const away = distance(p.was, centre.was) - was
      if (Math.abs(away) <= NEAR) found.push({ kind: 'away', weight: HARD, p, q: centre, by: r })
      else if (half && Math.abs(Math.abs(away) - half.was) <= NEAR)
        found.push({
          kind: 'away',
          weight: HARD,
          p,
          q: centre,
          by: sumOf([
            [1, r],
            [1, constant(Math.sign(away) * half.is)],
          ]),
        })
      else if (half && Math.abs(away) < half.was)
        found.push({
          kind: 'away',
          weight: HARD,
          p,
          q: centre,
          by: sumOf([
            [1, r],
            [1, constant(away * scale)],
          ]),
        })
    }
  return found
}

/** Whether a place hangs on the middle of a circle. */
const isHung = (p: Spot, centre: Spot): boolean => p.x.of.length > 1 && centre.x.of.every((one) => p.x.of.includes(one))

/** Two places that are all but one keep the little that lies between them. */
const together = (p: Spot, q: Spot, scale: number): Relation[] =>
  AXES.map((axis) => ({
    kind: 'sum',
    weight: HARD,
    form: sumOf([
      [1, p[axis]],
      [-1, q[axis]],
      [-1, constant((p.was[axis] - q.was[axis]) * scale)],
    ]),
  }))

function onStretch(
  { segment, from, to, half }: Stretch,
  p: Spot,
  t: number,
  at: Point,
  weight: number,
  isAtEdge: boolean,
  scale: number,
): Relation[] {
  const u = { x: to.was.x - from.was.x, y: to.was.y - from.was.y }
  if (Math.hypot(u.x, u.y) < SHORT) return []
  if (segment.kind === 'line') {
    const side = u.x * (p.was.y - from.was.y) - u.y * (p.was.x - from.was.x)
    const away = side / Math.hypot(u.x, u.y)
    const is = isAtEdge ? Math.sign(away) * half!.is : away * scale
    return [{ kind: 'beside', weight, p, a: from, b: to, by: constant(is) }]
  }
  if (segment.kind === 'cubic') {
    // Handles are stretched along each axis as the way between their nodes is, and places between go along.
    return AXES.map((axis): Relation => {
      const long = u[axis]
      const share = Math.abs(long) < 0.5 ? 3 * t * t - 2 * t * t * t : (at[axis] - from.was[axis]) / long
      const rest = (p.was[axis] - from.was[axis] - share * long) * scale
      return {
        kind: 'sum',
        weight,
        form: sumOf([
          [1, p[axis]],
          [share - 1, from[axis]],
          [-share, to[axis]],
          [-1, constant(rest)],
        ]),
      }
    })
  }
  // A short arc turns and grows with its chord, and so does what lies on it.
  const w = { x: p.was.x - from.was.x, y: p.was.y - from.was.y },
    long = u.x * u.x + u.y * u.y
  const re = (w.x * u.x + w.y * u.y) / long,
    im = (w.y * u.x - w.x * u.y) / long
  const turned = (axis: 'x' | 'y'): Relation => {
    const other = across(axis),
      sign = axis === 'x' ? -im : im
    return {
      kind: 'sum',
      weight,
      form: sumOf([
        [1, p[axis]],
        [re - 1, from[axis]],
        [-re, to[axis]],
        [sign, from[other]],
        [-sign, to[other]],
      ]),
    }
  }
  return AXES.map(turned)
}

/** Lines that touch circles, and circles that touch each other, do so again. */
function touching(circles: readonly Circle[], stretches: readonly Stretch[]): Relation[] {
  const found: Relation[] = []
  circles.forEach((one, i) => {
    for (const { segment, from, to, run } of stretches) {
      if (segment.kind !== 'line' || run === one.run) continue
      const u = chord(segment),
        long = Math.hypot(u.x, u.y)
      const w = { x: one.centre.was.x - from.was.x, y: one.centre.was.y - from.was.y }
      const side = (u.x * w.y - u.y * w.x) / long,
        along = (u.x * w.x + u.y * w.y) / long
      if (along < 0 || along > long || Math.abs(Math.abs(side) - one.was) > NEAR) continue
      const by = sumOf([[Math.sign(side), one.r]])
      found.push({ kind: 'beside', weight: HARD, p: one.centre, a: from, b: to, by })
    }
    for (const other of circles.slice(0, i)) {
      const away = distance(one.centre.was, other.centre.was)
      const sign = [1, -1].find((one_) => Math.abs(away - Math.abs(one.was + one_ * other.was)) <= NEAR)
      if (sign === undefined || away < NEAR) continue
      const turn = one.was + sign * other.was < 0 ? -1 : 1
      found.push({
        kind: 'away',
        weight: HARD,
        p: one.centre,
        q: other.centre,
        by: sumOf([
          [turn, one.r],
          [turn * sign, other.r],
        ]),
      })
    }
  })
  return found
}

/** The places that draw a contour: its edge lies half a stroke beside a stretch or a circle of theirs, or on it. */
function drawing(contour: Contour, box: Box, { stretches, circles }: Figure): ReadonlySet<Spot> {
  const curves = contour.segments.map(curveOf)
  const isBeside = (p: Point, half: Length | null) => {
    const reach = (half?.was ?? 0) + NEAR
    return boxContains(box, p, reach) && curves.some((curve) => nearestOnCurve(curve, p).distance <= reach)
  }
  const found = new Set<Spot>()
  for (const { segment, from, to, half } of stretches)
    if (isBeside(pointAt(segment, 0.5), half)) found.add(from).add(to)
  for (const { centre, was, half } of circles) {
    const { x, y } = centre.was
    const sides = [
      { x: x + was, y },
      { x: x - was, y },
      { x, y: y + was },
      { x, y: y - was },
    ]
    if (sides.some((side) => isBeside(side, half))) found.add(centre)
  }
  return found
}

/** What of a contour that is its own mirror image has an image in it lies mirrored again, about one line. */
function mirrored(
  { spots, circles }: Figure,
  along: ReadonlySet<Spot>,
  axis: 'x' | 'y',
  box: Box,
  scale: number,
  values: number[],
): Relation[] {
  const other = across(axis)
  const middle = axis === 'x' ? box.x + box.w / 2 : box.y + box.h / 2
  const inside = spots.filter((spot) => along.has(spot))
  const image = (p: Point): Point => ({ ...p, [axis]: 2 * middle - p[axis] })
  const line = unknown(values.push(middle * scale) - 1)
  const found: Relation[] = []
  const half = (p: Spot, q: Spot) =>
    sumOf([
      [0.5, p[axis]],
      [0.5, q[axis]],
      [-1, line],
    ])
  // Of places that are all but one, each has the one image that is nearest.
  const imageOf = (p: Spot) => {
    const there = image(p.was)
    const near = inside.reduce<Spot | null>(
      (best, q) => (!best || distance(q.was, there) < distance(best.was, there) ? q : best),
      null,
    )
    return near && distance(near.was, there) <= NEAR ? near : null
  }
  inside.forEach((p, i) => {
    const q = imageOf(p)
    if (!q || inside.indexOf(q) < i || imageOf(q) !== p) return
    found.push({ kind: 'sum', weight: HARD, form: half(p, q) })
    if (p !== q) found.push(equal(p[other], q[other], HARD))
  })
  circles.forEach((one, i) => {
    if (!along.has(one.centre)) return
    for (const two of circles.slice(0, i))
      if (
        along.has(two.centre) &&
        Math.abs(one.was - two.was) < NEAR &&
        distance(image(one.centre.was), two.centre.was) <= NEAR
      )
        found.push(equal(one.r, two.r, HARD))
  })
  return found
}
