import { arcCentre } from '../../geometry/arc'
import { type Contour, pathBounds } from '../../geometry/path'
import { distance, dot, type Point, subtract } from '../../geometry/point'
import { isSameOutline } from '../../outline/same-outline'
import { tidy } from '../../geometry/tidy'
import { sceneOf } from '../../drawing/evaluate/evaluated-scene'
import type { DrawingObject } from '../../drawing/objects/object'
import type { Style } from '../../drawing/model/style'
import { STARTERS } from '../../rules/starters'

/** A whole shape with its own numbers, without what every object has. */
export type Live = Record<string, unknown> & { readonly kind: string }

const scene = sceneOf(STARTERS[0]!.rules)
const PLAIN: Style = { fill: '#000000', stroke: 'none', weight: 1 }

/** The shortest decimal within a tolerance of a number: most likely its value before rounding. */
export function shortest(value: number, within: number): number {
  for (const power of [1, 10, 100, 1000]) {
    const short = Math.round(value * power) / power
    if (Math.abs(short - value) < within) return short
  }
  return tidy(value)
}

/**
 * The live shape that a contour draws, within a tolerance in grid units: a line, an ellipse, a rectangle with its corners, a
 * regular polygon or a star. Each candidate is drawn and compared with the contour; null where none is the same.
 */
export function liveShape(contour: Contour, within: number): Live | null {
  const [only, ...more] = contour.segments
  if (!contour.closed)
    return only && more.length === 0 && only.kind === 'line'
      ? {
          kind: 'line',
          from: { x: tidy(only.from.x), y: tidy(only.from.y) },
          to: { x: tidy(only.to.x), y: tidy(only.to.y) },
        }
      : null
  for (const make of [round, upright, turned, capsule, regular]) {
    const live = make(contour, within)
    if (live && isSame(live, contour, within)) return live
  }
  return null
}

/** Whether a live shape is a circle of a radius below half a stroke's weight: the stroke covers it to a disc. */
export const isNarrowCircle = (live: Live, weight: number): live is Live & Record<'x' | 'y' | 'w' | 'h', number> =>
  live.kind === 'ellipse' && live.w === live.h && (live.w as number) < weight

/** Whether a live shape, drawn, is a contour. */
const isSame = (live: Live, contour: Contour, within: number): boolean =>
  isSameOutline(scene.edge({ id: 'x', name: 'x', style: PLAIN, ...live } as DrawingObject), [contour], within)

/** An upright ellipse or a circle that fills the box of a contour of arcs. */
function round(contour: Contour, within: number): Live | null {
  const { segments } = contour
  if (segments.length > 8 || segments.some(({ kind }) => kind !== 'arc')) return null
  const { x, y, w, h } = pathBounds([contour])!
  const isCircle = Math.abs(w - h) < within
  const [wide, high] = [shortest(w, within), isCircle ? shortest(w, within) : shortest(h, within)]
  return {
    kind: 'ellipse',
    x: shortest(x + w / 2 - wide / 2, within),
    y: shortest(y + h / 2 - high / 2, within),
    w: wide,
    h: high,
  }
}

/** An upright rectangle with its corners: what its upright sides leave of its box is rounded. */
function upright(contour: Contour, within: number): Live | null {
  if (contour.segments.length > 12) return null
  const { x, y, w, h } = pathBounds([contour])!
  let arcs = 0
  const radii = [0, 0, 0, 0]
  for (const one of contour.segments) {
    if (one.kind === 'cubic') return null
    if (one.kind === 'line') {
      if (Math.abs(one.from.x - one.to.x) > within && Math.abs(one.from.y - one.to.y) > within) return null
      continue
    }
    if (Math.abs(one.rx - one.ry) > within) return null
    const { centre } = arcCentre(one)
    arcs++
    // The corners that a circle of this centre touches both sides of.
    const left = Math.abs(centre.x - one.rx - x) <= 2 * within,
      right = Math.abs(x + w - centre.x - one.rx) <= 2 * within,
      top = Math.abs(centre.y - one.rx - y) <= 2 * within,
      low = Math.abs(y + h - centre.y - one.rx) <= 2 * within
    ;[left && top, right && top, right && low, left && low].forEach((is, i) => {
      if (is) radii[i] = one.rx
    })
  }
  if (arcs === 0 && contour.segments.length !== 4) return null
  const corners = radii.map((r) => shortest(r, within))
  const alike = corners.every((r) => Math.abs(r - corners[0]!) < within)
  return {
    kind: 'rectangle',
    x: shortest(x, within / 2),
    y: shortest(y, within / 2),
    w: shortest(w, within / 2),
    h: shortest(h, within / 2),
    corner: alike ? corners[0]! : 0,
    ...(!alike && { corners }),
  }
}

const degrees = (radians: number): number => shortest((radians * 180) / Math.PI, 1e-3)

/** A rectangle that is turned. */
function turned({ segments }: Contour, within: number): Live | null {
  if (segments.length !== 4 || segments.some(({ kind }) => kind !== 'line')) return null
  const [p, q, r, s] = segments.map(({ from }) => from) as [Point, Point, Point, Point]
  const a = subtract(q, p),
    b = subtract(s, p)
  const w = distance(p, q),
    h = distance(p, s)
  if (Math.abs(dot(a, b)) > within * Math.max(w, h)) return null
  const centre = { x: (p.x + r.x) / 2, y: (p.y + r.y) / 2 }
  const turn = ((Math.atan2(a.y, a.x) % (Math.PI / 2)) + Math.PI / 2) % (Math.PI / 2)
  const isSwapped = Math.abs(Math.cos(Math.atan2(a.y, a.x) - turn)) < Math.SQRT1_2
  const [wide, high] = isSwapped ? [h, w] : [w, h]
  return {
    kind: 'rectangle',
    x: tidy(centre.x - wide / 2),
    y: tidy(centre.y - high / 2),
    w: shortest(wide, within / 2),
    h: shortest(high, within / 2),
    turn: degrees(turn),
    corner: 0,
  }
}

/** A turned bar with half circles at its ends, as a stroke with round caps paints it. */
function capsule({ segments }: Contour, within: number): Live | null {
  const arcs = segments.filter((one) => one.kind === 'arc'),
    lines = segments.filter((one) => one.kind === 'line')
  const [a, b, ...more] = lines
  if (!a || !b || more.length > 0 || arcs.length < 2 || arcs.length > 4 || lines.length + arcs.length < segments.length)
    return null
  const r = arcs[0]!.rx
  if (arcs.some(({ rx, ry }) => Math.abs(rx - r) > within || Math.abs(ry - r) > within)) return null
  const long = distance(a.from, a.to)
  const centre = { x: (a.from.x + a.to.x + b.from.x + b.to.x) / 4, y: (a.from.y + a.to.y + b.from.y + b.to.y) / 4 }
  const angle = degrees(Math.atan2(a.to.y - a.from.y, a.to.x - a.from.x))
  const w = shortest(long + 2 * r, within / 2),
    h = shortest(2 * r, within / 2)
  return {
    kind: 'rectangle',
    x: tidy(centre.x - w / 2),
    y: tidy(centre.y - h / 2),
    w,
    h,
    turn: ((angle % 180) + 180) % 180,
    corner: shortest(h / 2, 1e-9),
  }
}

/** A regular polygon, or a star whose inner nodes lie over the middles of its sides. */
function regular({ segments }: Contour, within: number): Live | null {
  const count = segments.length
  if (count < 3 || count > 60 || segments.some(({ kind }) => kind !== 'line')) return null
  const points = segments.map(({ from }) => from)
  const centre = {
    x: points.reduce((sum, { x }) => sum + x, 0) / count,
    y: points.reduce((sum, { y }) => sum + y, 0) / count,
  }
  const radii = points.map((p) => distance(p, centre))
  const most = Math.max(...radii),
    least = Math.min(...radii)
  const isStar = most - least > within
  if (isStar && (count % 2 !== 0 || count < 6)) return null
  const sides = isStar ? count / 2 : count
  if (radii.some((r) => Math.min(most - r, r - least) > within)) return null
  const top = points[radii.indexOf(most)]!
  const step = 360 / sides
  const angle = degrees(Math.atan2(top.x - centre.x, centre.y - top.y))
  const turn = shortest((((angle % step) + step + 1e-6) % step) - 1e-6, 1e-3)
  return {
    kind: 'polygon',
    x: tidy(centre.x - most),
    y: tidy(centre.y - most),
    w: shortest(2 * most, within / 2),
    h: shortest(2 * most, within / 2),
    sides,
    ...(isStar && { depth: shortest(1 - least / most, 1e-5) }),
    ...(Math.abs(turn) > 1e-3 && { turn }),
    corner: 0,
  }
}
