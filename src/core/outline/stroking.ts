import { keepTime } from '../geometry/deadline'
import type { Contour, Path } from '../geometry/path'
import { distance, type Point } from '../geometry/point'
import type { Segment } from '../geometry/segment'
import { directionAt } from '../geometry/slope'
import { SAME_POINT } from '../geometry/tolerance'
import { combine } from '../planar/boolean'
import { Vertices } from '../planar/vertices'
import { dashes } from './dash'
import { cap, type CapStyle, join, type JoinStyle } from './joint'
import { disc, ribbon } from './ribbon'
import { smoothParts } from './smooth-parts'

/** How a path is stroked. Lengths in grid units; `position` is where the stroke lies on closed contours, open ones are stroked on centre. */
export type Stroke = {
  readonly width: number
  readonly cap: CapStyle
  readonly join: JoinStyle
  readonly miterLimit: number
  readonly dash?: readonly number[]
  readonly dashOffset?: number
  readonly position?: 'center' | 'inside' | 'outside'
  /** A cap of one end's own, and a join of one node's own, by the number of the contour and of the node in it. */
  readonly capAt?: (contour: number, last: boolean) => CapStyle | undefined
  readonly joinAt?: (contour: number, node: number) => JoinStyle | undefined
}

/**
 * The outline of a stroked path, to be filled: what SVG 2 §13.5 paints, with lines and circular arcs exact and the fewest nodes. Where
 * three or more open ends, or ends and a node, share a place, they have one join instead of caps.
 */
export function strokedArea(path: Path, stroke: Stroke): Path {
  if (!(stroke.width > 0)) return []
  const { position = 'center' } = stroke
  const solid = path.map(withoutPoints)
  if (position === 'center') return combine([{ path: strokePieces(solid, stroke.width / 2, stroke), role: 'adds' }], 'nonzero')
  const closed = solid.filter(({ segments, closed: whole }) => whole && segments.length > 0), open = solid.filter((contour) => !contour.closed)
  // Twice as wide, of which one half is kept.
  const pieces = strokePieces(closed, stroke.width, stroke)
  const half = combine([{ path: pieces, role: 'adds' }, { path: closed, role: position === 'inside' ? 'overlap' : 'cuts' }], 'nonzero')
  if (open.length === 0) return half
  return combine([{ path: half, role: 'adds' }, { path: strokePieces(open, stroke.width / 2, stroke), role: 'adds' }], 'nonzero')
}

/** A contour without segments that go nowhere. One that is nothing but a point keeps one segment. */
function withoutPoints({ segments, closed }: Contour): Contour {
  const kept = segments.filter((s) => distance(s.from, s.to) > SAME_POINT || (s.kind === 'arc' && s.large) || (s.kind === 'cubic' && distance(s.from, s.c1) + distance(s.to, s.c2) > SAME_POINT))
  return { segments: kept.length > 0 ? kept : segments.slice(0, 1), closed }
}

/** Where strokes meet: the unit directions in which they leave the place. */
type Star = { readonly at: Point; readonly directions: Point[]; readonly ends: CapStyle[]; join: JoinStyle }

/** Ribbons, joins and caps that together are the stroke, all clockwise on screen. */
export function strokePieces(path: Path, half: number, stroke: Stroke): Path {
  const pieces: Contour[] = []
  const stars: Star[] = []
  path.forEach((whole, contour) => {
    const runs = stroke.dash && stroke.dash.length > 0 ? dashes(whole, stroke.dash, stroke.dashOffset ?? 0) : [whole]
    for (const run of runs) {
      const { segments, closed } = run
      const first = segments[0], last = segments[segments.length - 1]
      if (!first || !last) continue
      if (segments.length === 1 && distance(first.from, first.to) <= SAME_POINT && first.kind === 'line') {
        pieces.push(...point(first, half, stroke.cap))
        continue
      }
      for (const segment of segments) {
        keepTime()
        const parts = smoothParts(segment)
        for (const one of parts) pieces.push(...ribbon(one, half))
        // Where a curve stands still and turns back it has a node that nobody drew.
        parts.slice(1).forEach((one, i) => {
          const back = directionAt(parts[i]!, 1)
          stars.push({ at: one.from, directions: [{ x: -back.x, y: -back.y }, directionAt(one, 0)], ends: [], join: stroke.join })
        })
      }
      segments.forEach((segment, i) => {
        const before = segments[i - 1] ?? (closed ? last : null)
        if (!before) return
        const back = directionAt(before, 1)
        stars.push({ at: segment.from, directions: [{ x: -back.x, y: -back.y }, directionAt(segment, 0)], ends: [], join: (run === whole ? stroke.joinAt?.(contour, i) : undefined) ?? stroke.join })
      })
      if (closed) continue
      const back = directionAt(last, 1)
      stars.push({ at: first.from, directions: [directionAt(first, 0)], ends: [stroke.capAt?.(contour, false) ?? stroke.cap], join: stroke.join })
      stars.push({ at: last.to, directions: [{ x: -back.x, y: -back.y }], ends: [stroke.capAt?.(contour, true) ?? stroke.cap], join: stroke.join })
    }
  })
  for (const star of together(stars)) {
    if (star.directions.length === 1) pieces.push(...cap(star.at, star.directions[0]!, half, star.ends[0]!))
    else pieces.push(...join(star.at, star.directions, half, star.join, stroke.miterLimit))
  }
  return pieces
}

/** Stars with the open ends of one place taken together with whatever else is there, where that makes three directions or more. */
function together(stars: readonly Star[]): Star[] {
  if (!stars.some(({ ends }) => ends.length > 0)) return [...stars]
  const places = new Vertices(SAME_POINT)
  const groups = new Map<number, Star[]>()
  for (const star of stars) {
    const place = places.of(star.at)
    groups.set(place, [...(groups.get(place) ?? []), star])
  }
  return [...groups.values()].flatMap((group) => {
    const directions = group.flatMap((star) => star.directions)
    if (directions.length < 3 || !group.some(({ ends }) => ends.length > 0)) return group
    return [{ ...group[0]!, directions, join: (group.find(({ ends }) => ends.length === 0) ?? group[0]!).join }]
  })
}

/** A stroke without length: a dot where caps are round, a square where they are square (SVG 2 §13.5.3). */
function point({ from }: Segment, half: number, style: CapStyle): Contour[] {
  if (style === 'round') return [disc(from, half)]
  return style === 'square' ? [...cap(from, { x: 1, y: 0 }, half, 'square'), ...cap(from, { x: -1, y: 0 }, half, 'square')] : []
}
