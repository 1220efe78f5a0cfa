import { arcParameter, product, type Round, toUnitCircle } from './curve'
import type { Meeting } from './meeting'
import { cross, distance, dot, hypot, type Point, subtract } from './point'
import { rootsOnUnit } from './roots'
import { type Line, pointAt } from './segment'
import { PARALLEL } from './tolerance'

const clamp = (t: number): number => Math.max(0, Math.min(1, t))

/** The meeting of two lines that are not parallel. */
export function lineLine(a: Line, b: Line, tolerance: number): Meeting[] {
  const d = subtract(a.to, a.from),
    e = subtract(b.to, b.from)
  const across = cross(d, e)
  const lengthA = hypot(d.x, d.y),
    lengthB = hypot(e.x, e.y)
  if (Math.abs(across) <= PARALLEL * lengthA * lengthB) return []
  const between = subtract(b.from, a.from)
  const s = cross(between, e) / across,
    t = cross(between, d) / across
  if (
    s < -tolerance / lengthA ||
    s > 1 + tolerance / lengthA ||
    t < -tolerance / lengthB ||
    t > 1 + tolerance / lengthB
  )
    return []
  return [{ at: pointAt(a, clamp(s)), s: clamp(s), t: clamp(t) }]
}

/** Meetings of a line (s) with an arc (t): a quadratic in the axes in which the arc's ellipse is the unit circle. */
export function lineArc(line: Line, arc: Round, tolerance: number): Meeting[] {
  const from = toUnitCircle(arc, line.from),
    to = toUnitCircle(arc, line.to)
  const d = subtract(to, from)
  const square = dot(d, d)
  const middle = -dot(from, d) / square
  const away = Math.abs(cross(from, d)) / Math.sqrt(square)
  const slack = tolerance / Math.min(arc.rx, arc.ry)
  if (away > 1 + slack) return []
  const half = away >= 1 - slack ? 0 : Math.sqrt((1 - away * away) / square)
  const near = tolerance / distance(line.from, line.to)
  const found: Meeting[] = []
  for (let side = half === 0 ? 0 : -1; side <= (half === 0 ? 0 : 1); side += 2) {
    const s = middle + side * half
    if (s < -near || s > 1 + near) continue
    const t = onArc(arc, Math.atan2(from.y + d.y * s, from.x + d.x * s), tolerance)
    if (t !== null) found.push({ at: pointAt(line, clamp(s)), s: clamp(s), t })
  }
  return found
}

/** The parameter of an angle on an arc, null when the arc does not reach it. */
export function onArc(arc: Round, angle: number, tolerance: number): number | null {
  const slack = tolerance / (Math.max(arc.rx, arc.ry) * Math.abs(arc.extent))
  const t = arcParameter(arc, angle)
  if (t <= 1 + slack) return Math.min(1, t)
  return t >= (2 * Math.PI) / Math.abs(arc.extent) - slack ? 0 : null
}

export function circleCircle(a: Round, b: Round, tolerance: number): Meeting[] {
  const d = subtract(b.centre, a.centre)
  const far = hypot(d.x, d.y)
  if (far <= tolerance) return []
  const sum = a.rx + b.rx,
    gap = Math.abs(a.rx - b.rx)
  if (far > sum + tolerance || far < gap - tolerance) return []
  const touches = far >= sum - tolerance || far <= gap + tolerance
  const along = (far * far + a.rx * a.rx - b.rx * b.rx) / (2 * far)
  const aside = touches ? 0 : Math.sqrt(Math.max(0, a.rx * a.rx - along * along))
  const u = { x: d.x / far, y: d.y / far }
  return (aside === 0 ? [0] : [aside, -aside]).flatMap((h) => {
    const at = { x: a.centre.x + u.x * along - u.y * h, y: a.centre.y + u.y * along + u.x * h }
    return onBoth(a, b, at, tolerance)
  })
}

function onBoth(a: Round, b: Round, at: Point, tolerance: number): Meeting[] {
  const p = toUnitCircle(a, at),
    q = toUnitCircle(b, at)
  const s = onArc(a, Math.atan2(p.y, p.x), tolerance),
    t = onArc(b, Math.atan2(q.y, q.x), tolerance)
  return s === null || t === null ? [] : [{ at, s, t }]
}

/**
 * Two elliptical arcs, the second brought to the unit circle. A quarter turn of the first is a rational quadratic in
 * the tangent of half its angle, which gives a polynomial of degree four.
 */
export function ellipseEllipse(a: Round, b: Round, tolerance: number): Meeting[] {
  const c = toUnitCircle(b, a.centre)
  const shift = (p: Point) => subtract(toUnitCircle(b, { x: a.centre.x + p.x, y: a.centre.y + p.y }), c)
  const u = shift(a.u),
    v = shift(a.v)
  const pieces = Math.ceil(Math.abs(a.extent) / (Math.PI / 2))
  const found: Meeting[] = []
  for (let i = 0; i < pieces; i++) {
    const from = a.start + (a.extent * i) / pieces,
      step = a.extent / pieces
    const middle = from + step / 2,
      reach = Math.tan(step / 4)
    const cos = Math.cos(middle),
      sin = Math.sin(middle)
    const p = { x: u.x * cos + v.x * sin, y: u.y * cos + v.y * sin },
      q = { x: v.x * cos - u.x * sin, y: v.y * cos - u.y * sin }
    // With w from -reach to reach, as w = reach·(2τ − 1): (c + p) + 2·q·w + (c − p)·w², over 1 + w².
    const inTau = (k0: number, k1: number, k2: number) => [
      k0 - k1 * reach + k2 * reach * reach,
      2 * k1 * reach - 4 * k2 * reach * reach,
      4 * k2 * reach * reach,
    ]
    const x = inTau(c.x + p.x, 2 * q.x, c.x - p.x),
      y = inTau(c.y + p.y, 2 * q.y, c.y - p.y),
      w = inTau(1, 0, 1)
    const xx = product(x, x),
      yy = product(y, y),
      ww = product(w, w)
    const f = xx.map((value, k) => value + yy[k]! - ww[k]!)
    for (const { t: tau } of rootsOnUnit(f, (2 * tolerance) / Math.min(b.rx, b.ry))) {
      const angle = middle + 2 * Math.atan(reach * (2 * tau - 1))
      const at = {
        x: a.centre.x + a.u.x * Math.cos(angle) + a.v.x * Math.sin(angle),
        y: a.centre.y + a.u.y * Math.cos(angle) + a.v.y * Math.sin(angle),
      }
      for (const meeting of onBoth(a, b, at, tolerance))
        if (!found.some((other) => distance(other.at, at) <= 4 * tolerance)) found.push(meeting)
    }
  }
  return found
}
