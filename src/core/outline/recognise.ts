import { arcCentre, keepingCentre } from '../geometry/arc'
import type { Contour, Path } from '../geometry/path'
import { distance, hypot, type Point } from '../geometry/point'
import { type Arc, type Cubic, line, pointAt, type Segment } from '../geometry/segment'
import { directionAt } from '../geometry/slope'
import { circleThrough } from '../geometry/solve'
import { tidy } from '../geometry/tidy'
import { FOUR_CUBICS, SAME_POINT } from '../geometry/tolerance'

/** Parameters at which a curve is compared with a candidate. */
const PLACES = [0.1, 0.25, 0.4, 0.5, 0.6, 0.75, 0.9]

/** From how many radians on an arc stays two: a whole turn has to. */
const WHOLE = (340 * Math.PI) / 180

/**
 * A path with its cubics that draw lines, circles and upright ellipses replaced by these: whatever lies within
 * `tolerance` of them, and for circles besides within the share `slack` of the radius, by which the usual four cubics
 * miss one. Stretches of one line or one circle that follow each other become one.
 */
export function recognise(path: Path, tolerance: number, slack = FOUR_CUBICS): Path {
  return path.map((contour) => ({
    ...contour,
    segments: runsJoined(
      contour,
      tolerance,
      slack,
      contour.segments.map((s) => recognised(s, tolerance, slack)),
    ),
  }))
}

function recognised(segment: Segment, tolerance: number, slack: number): Segment {
  if (segment.kind !== 'cubic') return segment
  if (isLine(segment, tolerance)) return line(segment.from, segment.to)
  return circleOf(segment, tolerance, slack) ?? quarterOf(segment, tolerance, slack) ?? segment
}

function isLine(segment: Cubic, tolerance: number): boolean {
  const chord = distance(segment.from, segment.to)
  if (chord <= SAME_POINT) return false
  const u = { x: (segment.to.x - segment.from.x) / chord, y: (segment.to.y - segment.from.y) / chord }
  return PLACES.every((t) => {
    const p = pointAt(segment, t),
      dx = p.x - segment.from.x,
      dy = p.y - segment.from.y
    const along = dx * u.x + dy * u.y
    return Math.abs(dx * u.y - dy * u.x) <= tolerance && along >= -tolerance && along <= chord + tolerance
  })
}

/** The circular arc a cubic draws: through its ends and its middle. */
function circleOf(segment: Cubic, tolerance: number, slack: number): Arc | null {
  return arcThrough(
    segment.from,
    pointAt(segment, 0.5),
    segment.to,
    PLACES.map((t) => pointAt(segment, t)),
    tolerance,
    slack,
  )
}

/** The arc from a point through another to a third, when it comes within the tolerance of further points. */
export function arcThrough(
  from: Point,
  middle: Point,
  to: Point,
  others: readonly Point[],
  tolerance: number,
  slack = 0,
): Arc | null {
  const circle = circleThrough(from, middle, to)
  // An arc whose radius is over a thousand chords is a line bent by rounding.
  if (!circle || circle.r > 1000 * distance(from, to)) return null
  const { centre, r } = circle
  if (others.some((p) => Math.abs(distance(p, centre) - r) > tolerance + slack * r)) return null
  const side = (p: Point) => (to.x - from.x) * (p.y - from.y) - (to.y - from.y) * (p.x - from.x)
  const bulge = side(middle),
    sweep = bulge < 0
  const arc: Arc = {
    kind: 'arc',
    from,
    to,
    rx: tidy(r),
    ry: tidy(r),
    turn: 0,
    large: Math.sign(side(centre)) === Math.sign(bulge),
    sweep,
  }
  return others.every((p) => side(p) * Math.sign(bulge) >= -tolerance * distance(from, to)) ? arc : null
}

/** A quarter of an upright ellipse, which leaves level and arrives plumb or the other way round. */
function quarterOf(segment: Cubic, tolerance: number, slack: number): Arc | null {
  const d = directionAt(segment, 0),
    e = directionAt(segment, 1)
  const level = (p: Point) => Math.abs(p.y) < 1e-3,
    plumb = (p: Point) => Math.abs(p.x) < 1e-3
  if (!((level(d) && plumb(e)) || (plumb(d) && level(e)))) return null
  const { from, to } = segment
  const rx = Math.abs(to.x - from.x),
    ry = Math.abs(to.y - from.y)
  // A loop comes back to where it began.
  if (rx <= SAME_POINT || ry <= SAME_POINT) return null
  const centre = level(d) ? { x: from.x, y: to.y } : { x: to.x, y: from.y }
  const off = Math.max(
    ...PLACES.map((t) => {
      const p = pointAt(segment, t)
      return Math.abs(hypot((p.x - centre.x) / rx, (p.y - centre.y) / ry) - 1) * Math.max(rx, ry)
    }),
  )
  if (off > tolerance + slack * Math.max(rx, ry)) return null
  return { kind: 'arc', from, to, rx: tidy(rx), ry: tidy(ry), turn: 0, large: false, sweep: d.x * e.y - d.y * e.x > 0 }
}

/** A stretch, and places of the segments that it stands for. */
type Run = { readonly segment: Segment; readonly places: readonly Point[] }

/** Segments of one line or one circle that follow each other as one; a whole circle as two halves. */
function runsJoined(
  { closed, segments: before }: Contour,
  tolerance: number,
  slack: number,
  segments: readonly Segment[],
): Segment[] {
  const result: Run[] = []
  for (const [i, segment] of segments.entries()) {
    const last = result.at(-1),
      own = { segment, places: PLACES.map((t) => pointAt(before[i]!, t)) }
    const one = last && joinedRun(last, own, tolerance, slack)
    if (one) result[result.length - 1] = one
    else result.push(own)
  }
  while (closed && result.length > 2) {
    const one = joinedRun(result.at(-1)!, result[0]!, tolerance, slack)
    if (!one) break
    result.pop()
    result[0] = one
  }
  return result.map(({ segment }) => segment)
}

function joinedRun(a: Run, b: Run, tolerance: number, slack: number): Run | null {
  const places = [...a.places, a.segment.to, ...b.places]
  const segment =
    joined(a.segment, b.segment, tolerance, slack) ?? roundRun(a.segment, b.segment, places, tolerance, slack)
  return segment && { segment, places }
}

/** The circular arc of two that follow each other: short ones tell little of their radius, all their places together do. */
function roundRun(a: Segment, b: Segment, places: readonly Point[], tolerance: number, slack: number): Arc | null {
  if (a.kind !== 'arc' || b.kind !== 'arc' || a.sweep !== b.sweep || a.rx !== a.ry || b.rx !== b.ry) return null
  if (Math.abs(arcCentre(a).extent) + Math.abs(arcCentre(b).extent) > WHOLE) return null
  const middle = places[places.length >> 1]!
  const arc = arcThrough(a.from, middle, b.to, places, tolerance, slack)
  return arc?.sweep === a.sweep ? arc : null
}

function joined(a: Segment, b: Segment, tolerance: number, slack: number): Segment | null {
  if (a.kind === 'line' && b.kind === 'line') {
    const whole = line(a.from, b.to),
      chord = distance(a.from, b.to)
    const dx = b.to.x - a.from.x,
      dy = b.to.y - a.from.y
    const aside = Math.abs(dx * (a.to.y - a.from.y) - dy * (a.to.x - a.from.x)) / chord
    const along = (dx * (a.to.x - a.from.x) + dy * (a.to.y - a.from.y)) / (chord * chord)
    return chord > SAME_POINT && aside <= tolerance && along > 0 && along < 1 ? whole : null
  }
  if (a.kind !== 'arc' || b.kind !== 'arc' || a.sweep !== b.sweep || a.turn !== b.turn) return null
  const p = arcCentre(a),
    q = arcCentre(b)
  const near = 2 * tolerance + slack * p.rx
  if (distance(p.centre, q.centre) > near || Math.abs(p.rx - q.rx) > near || Math.abs(p.ry - q.ry) > near) return null
  const extent = Math.abs(p.extent) + Math.abs(q.extent)
  if (extent > WHOLE) return null
  // Near half a turn a radius that is off by little would move the centre by much.
  const centre = { x: (p.centre.x + q.centre.x) / 2, y: (p.centre.y + q.centre.y) / 2 }
  return keepingCentre({ ...a, to: b.to, large: extent > Math.PI }, { ...p, centre, extent })
}
