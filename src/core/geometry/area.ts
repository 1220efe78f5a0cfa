import { type ArcCentre, arcCentre } from './arc'
import type { Path } from './path'
import type { Segment } from './segment'

/**
 * Twice the signed area between a segment and the origin, in closed form; positive where it runs clockwise on screen
 * around it. An arc's centre may be given.
 */
export function sweptTwice(segment: Segment, round?: ArcCentre | null): number {
  const { from, to } = segment
  switch (segment.kind) {
    case 'line':
      return from.x * to.y - to.x * from.y
    case 'arc': {
      // About the centre an ellipse sweeps r·r' for each radian; moving the centre to the origin adds the chord's part.
      const { centre, rx, ry, extent } = round ?? arcCentre(segment)
      return rx * ry * extent + centre.x * (to.y - from.y) - centre.y * (to.x - from.x)
    }
    case 'cubic': {
      const { c1, c2 } = segment
      const k = (a: { x: number; y: number }, b: { x: number; y: number }) => a.x * b.y - b.x * a.y
      // The integral of x·dy − y·dx over a cubic Bézier curve, from products of its control points.
      return (6 * k(from, c1) + 3 * k(from, c2) + k(from, to) + 3 * k(c1, c2) + 3 * k(c1, to) + 6 * k(c2, to)) / 10
    }
  }
}

/**
 * The area that a path encloses, exact, with holes taken away: for paths whose contours do not cross and whose holes
 * run the other way.
 */
export function area(path: Path): number {
  let twice = 0
  for (const { segments } of path) {
    for (const segment of segments) twice += sweptTwice(segment)
    const from = segments[0]!.from,
      to = segments[segments.length - 1]!.to
    twice += to.x * from.y - from.x * to.y
  }
  return Math.abs(twice) / 2
}

/** Of how many pieces an area is and how many holes it has, its contours not crossing and holes running the other way. */
export function piecesAndHoles(area: Path): { readonly pieces: number; readonly holes: number } {
  const swept = area.map(({ segments }) => segments.reduce((sum, segment) => sum + sweptTwice(segment), 0))
  const outer = Math.sign(swept.reduce((most, one) => (Math.abs(one) > Math.abs(most) ? one : most), 0))
  const pieces = swept.filter((one) => Math.sign(one) === outer).length
  return { pieces, holes: swept.length - pieces }
}
