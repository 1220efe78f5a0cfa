import type { Contour, Path } from '../geometry/path'
import { distance } from '../geometry/point'
import { SAME_POINT } from '../geometry/tolerance'
import { combine, combineOneWay, type Member, type Role } from '../planar/boolean'
import { band, type Width } from './band'
import { speck, starJoin } from './joint'
import { partsOf, runsOf, type Star } from './run'
import type { Stroke } from './line-style'

/**
 * The outline of a stroked path, to be filled: what SVG 2 §13.5 paints, with lines and circular arcs exact and the
 * fewest nodes. Where three or more open ends, or ends and a node, share a place, they have one join instead of caps.
 */
export function strokedArea(path: Path, stroke: Stroke): Path {
  if (!(stroke.width > 0)) return []
  const { position = 'center' } = stroke
  const solid = path.map(withoutPoints)
  if (position === 'center') return combineStroke({ path: solid, half: stroke.width / 2, stroke })
  const closed = solid.filter(({ segments, closed: whole }) => whole && segments.length > 0),
    open = solid.filter((contour) => !contour.closed)
  // Twice as wide, of which one half is kept.
  const side = combineStroke({
    path: closed,
    half: stroke.width,
    stroke,
    after: [{ path: closed, role: position === 'inside' ? 'overlap' : 'cuts' }],
  })
  return open.length === 0
    ? side
    : combineStroke({ path: open, half: stroke.width / 2, stroke, before: [{ path: side, role: 'adds' }] })
}

const joinsOf = (stars: readonly Star[], half: number, stroke: Stroke): Contour[] =>
  stars.flatMap(({ at, directions, join }) => starJoin(at, directions, half, join, stroke.miterLimit))

/**
 * The bands of a stroke on centre: contours that cross each other and together wind around everything that the stroke
 * paints, by the nonzero rule. They cost no arrangement. They are right only where they wind around nothing backwards,
 * which the arrangement they go into has to check; else `strokedArea` is to be taken.
 */
export function strokeBands(path: Path, stroke: Stroke): Path {
  const half = stroke.width / 2
  const { runs, stars, points } = runsOf(path.map(withoutPoints), stroke)
  return [
    ...runs.flatMap((run) => band(run, { half, miterLimit: stroke.miterLimit })),
    ...joinsOf(stars, half, stroke),
    ...points.flatMap((at) => speck(at, half, stroke.cap)),
  ]
}

/** A contour without segments that go nowhere. One that is nothing but a point keeps one segment. */
function withoutPoints({ segments, closed }: Contour): Contour {
  const kept = segments.filter(
    (s) =>
      distance(s.from, s.to) > SAME_POINT ||
      (s.kind === 'arc' && s.large) ||
      (s.kind === 'cubic' && distance(s.from, s.c1) + distance(s.to, s.c2) > SAME_POINT),
  )
  return { segments: kept.length > 0 ? kept : segments.slice(0, 1), closed }
}

/** A stroke with the members before and after it in a boolean operation; on centre, half its width to each side. */
type StrokeMember = {
  readonly path: Path
  readonly half: number
  readonly stroke: Stroke
  readonly role?: Role
  readonly before?: readonly Member[]
  readonly after?: readonly Member[]
}

/**
 * Combines a stroke with other members. Its bands have positive winding numbers and add up to the stroke; if a curve is
 * too wild for that, each part is a member of its own.
 */
export function combineStroke({ path, half, stroke, role = 'adds', before = [], after = [] }: StrokeMember): Path {
  const { runs, stars, points } = runsOf(path, stroke),
    width: Width = { half, miterLimit: stroke.miterLimit }
  const joined = (all: readonly Star[]) => joinsOf(all, half, stroke)
  const specks = points.flatMap((at) => speck(at, half, stroke.cap))
  const bands = [...runs.flatMap((run) => band(run, width)), ...joined(stars), ...specks]
  const together = combineOneWay([...before, { path: bands, role }, ...after], before.length)
  if (together) return together
  const apart = runs.map(partsOf)
  const parts = [
    ...apart.flatMap((one) => one.runs.flatMap((run) => band(run, width))),
    ...joined([...stars, ...apart.flatMap((one) => one.stars)]),
    ...specks,
  ]
  return combine([...before, ...parts.map((contour): Member => ({ path: [contour], role })), ...after])
}
