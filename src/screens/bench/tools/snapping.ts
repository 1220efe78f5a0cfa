import type { Point } from '@/core/geometry/point'
import type { DrawingObject } from '@/core/drawing/objects/object'
import { equalSizes } from '@/core/snap/gaps'
import { constrainAngle, type Snapped, snapPoint } from '@/core/snap/snap'
import type { SnapTargets } from '@/core/snap/targets'
import type { Bench } from '../state/bench'
import type { At } from './tool'

/**
 * The pointer's position snapped to the targets, or unsnapped while snapping is suspended; shown as the place of the pointer. `from` is the start of the
 * line being drawn.
 */
export function caught(bench: Bench, at: At, targets: SnapTargets, from?: Point): Snapped {
  const snapped = at.free ? { point: at.p, marks: [] } : snapPoint(at.p, targets, bench.reach, from)
  bench.land(snapped.point)
  return snapped
}

/** The end of a line from `from` at 45° steps, and unless snapping is suspended on the grid along it. */
export function turned(bench: Bench, from: Point, at: At, step: number | null): Point {
  const end = onGridAlong(from, constrainAngle(from, at.p), at.free ? null : step)
  bench.land(end)
  return end
}

/** The point on a line from `from` at 45° steps, its ends still drawn to the grid along the longer side. */
function onGridAlong(from: Point, to: Point, step: number | null): Point {
  if (step === null) return to
  const dx = to.x - from.x,
    dy = to.y - from.y
  const longer = Math.abs(dx) >= Math.abs(dy) ? dx : dy
  if (longer === 0) return to
  const k = (Math.round(longer / step) * step) / longer
  return { x: from.x + dx * k, y: from.y + dy * k }
}

/** The targets, and where a box drawn from a place becomes as wide or as high as another object. */
export const withSizes = (targets: SnapTargets, { x, y }: Point): SnapTargets =>
  targets.on.gaps
    ? {
        ...targets,
        xs: [...targets.xs, ...equalSizes(x, targets.boxes, 'x')],
        ys: [...targets.ys, ...equalSizes(y, targets.boxes, 'y')],
      }
    : targets

/** Shows where a press would be caught, for tools that lay something. */
export const showCaught = (bench: Bench, at: At): void =>
  bench.hold({ marks: caught(bench, at, bench.targetsAtRest).marks })

/** True for one whole circle. */
export function isCircle([only, ...more]: readonly DrawingObject[]): boolean {
  return only?.kind === 'ellipse' && more.length === 0 && Math.abs(only.w - only.h) < 1e-9 && only.from === undefined
}
