import type { Box } from '../geometry/box'
import { distance, type Point } from '../geometry/point'
import type { SnapLine, SnapTargets } from './targets'

/** Where a position was caught: on a line across or down, or at a point, with what is there. The grid leaves no mark. */
export type SnapMark =
  | { readonly kind: 'x' | 'y'; readonly value: number; readonly label: string }
  | { readonly kind: 'point'; readonly at: Point; readonly label: string }

export type Snapped = { readonly point: Point; readonly marks: readonly SnapMark[] }

type Catch = { readonly value: number; readonly away: number; readonly label: string | null }

/** The nearest line within reach, or the grid where that is nearer; a line wins over the grid at the same place. */
function catchAxis(value: number, lines: readonly SnapLine[], step: number | null, reach: number): Catch {
  let best: Catch = { value, away: Infinity, label: null }
  for (const line of lines) {
    const away = Math.abs(line.value - value)
    if (away <= reach && away < best.away) best = { value: line.value, away, label: line.label }
  }
  if (step !== null) {
    const onGrid = Math.round(value / step) * step
    const away = Math.abs(onGrid - value)
    if (away < best.away - 1e-9) best = { value: onGrid, away, label: null }
  }
  return best
}

const marks = (x: Catch, y: Catch): SnapMark[] => [
  ...(x.label === null ? [] : [{ kind: 'x' as const, value: x.value, label: x.label }]),
  ...(y.label === null ? [] : [{ kind: 'y' as const, value: y.value, label: y.label }]),
]

/** A point drawn to the nearest target. `reach` in grid units says how near a target must be; the grid reaches everywhere. */
export function snapPoint(p: Point, targets: SnapTargets, reach: number): Snapped {
  let nearest: SnapMark | null = null, away = reach
  for (const { at, label } of targets.points) {
    const far = distance(at, p)
    if (far <= away) {
      away = far
      nearest = { kind: 'point', at, label }
    }
  }
  if (nearest?.kind === 'point') return { point: nearest.at, marks: [nearest] }
  const x = catchAxis(p.x, targets.xs, targets.step, reach)
  const y = catchAxis(p.y, targets.ys, targets.step, reach)
  return { point: { x: x.value, y: y.value }, marks: marks(x, y) }
}

/** How far a moved box must shift so that an edge or its centre meets a target; on each axis the nearest of the three wins. */
export function snapBox(box: Box, targets: SnapTargets, reach: number): { readonly shift: Point; readonly marks: readonly SnapMark[] } {
  const along = (from: number, size: number, lines: readonly SnapLine[]) => {
    // The grid takes the near edge, so that a box of odd size keeps its edges on the grid.
    let best = catchAxis(from, lines, targets.step, reach)
    let shift = best.value - from
    for (const place of [from + size, from + size / 2]) {
      const found = catchAxis(place, lines, null, reach)
      if (found.label !== null && (found.away < best.away - 1e-9 || (best.label === null && found.away <= best.away + 1e-9))) {
        best = found
        shift = found.value - place
      }
    }
    return { best, shift }
  }
  const x = along(box.x, box.w, targets.xs), y = along(box.y, box.h, targets.ys)
  return { shift: { x: x.shift, y: y.shift }, marks: marks(x.best, y.best) }
}

const OCTANTS = [[1, 0], [1, 1], [0, 1], [-1, 1], [-1, 0], [-1, -1], [0, -1], [1, -1]] as const

/** The end of a line from `from`, turned to the nearest multiple of 45° and kept as long as the pointer is far along it. */
export function constrainAngle(from: Point, to: Point): Point {
  const eighths = Math.round(Math.atan2(to.y - from.y, to.x - from.x) / (Math.PI / 4))
  const [x, y] = OCTANTS[(eighths + 8) % 8]!
  const along = ((to.x - from.x) * x + (to.y - from.y) * y) / (x * x + y * y)
  return { x: from.x + x * along, y: from.y + y * along }
}
