import { type Box, boxUnion } from './box'
import { distance, type Point } from './point'
import { line, type Segment, segmentBounds, transformSegment } from './segment'
import { SAME_POINT } from './tolerance'
import type { Transform } from './transform'

/** Segments end to end. In a closed contour the last one ends where the first begins. Never empty. */
export type Contour = { readonly segments: readonly Segment[]; readonly closed: boolean }

/** Contours that are filled together, by the non-zero rule unless told otherwise. */
export type Path = readonly Contour[]

/** The contour of straight lines through points; no segment of length zero. */
export function polyline(points: readonly Point[], closed: boolean): Contour {
  const segments: Segment[] = []
  const count = closed ? points.length : points.length - 1
  for (let i = 0; i < count; i++) {
    const from = points[i]!,
      to = points[(i + 1) % points.length]!
    if (distance(from, to) > SAME_POINT) segments.push(line(from, to))
  }
  // A subpath of length zero is a dot when stroked with round or square caps (SVG 2 §13.5.3).
  if (segments.length === 0 && !closed && points.length > 1) segments.push(line(points[0]!, points[0]!))
  return { segments, closed }
}

/** An upright ellipse of two half arcs, clockwise from its left end. */
export function ellipse(centre: Point, rx: number, ry: number): Contour {
  const left = { x: centre.x - rx, y: centre.y },
    right = { x: centre.x + rx, y: centre.y }
  const half = { kind: 'arc', rx, ry, turn: 0, large: false, sweep: true } as const
  return {
    segments: [
      { ...half, from: left, to: right },
      { ...half, from: right, to: left },
    ],
    closed: true,
  }
}

export function transformPath(path: Path, map: Transform): Path {
  return path.map(({ segments, closed }) => ({ segments: segments.map((s) => transformSegment(s, map)), closed }))
}

/** The exact bounds of a path's geometry, its stroke left aside; null when it has no segments. */
export function pathBounds(path: Path): Box | null {
  return boxUnion(path.flatMap(({ segments }) => segments.map((s) => segmentBounds(s))))
}

/** How many segments a path has. */
export function segmentCount(path: Path): number {
  return path.reduce((sum, { segments }) => sum + segments.length, 0)
}

/** The path's nodes in order, the end of an open contour included. */
export function pathNodes(path: Path): Point[] {
  return path.flatMap(({ segments, closed }) => {
    const starts = segments.map((s) => s.from)
    return closed ? starts : [...starts, segments[segments.length - 1]!.to]
  })
}
