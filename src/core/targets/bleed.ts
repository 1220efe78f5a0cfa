import type { Shape, GroupEffect } from '../drawing/scene/shape'
import { boxCentre } from '../geometry/box'
import { flattened } from '../geometry/flat'
import { nearestOnPath } from '../geometry/nearest'
import { type Contour, type Path, pathBounds, polyline } from '../geometry/path'
import { midpoint, type Point } from '../geometry/point'
import { combine } from '../planar/boolean'

/**
 * Shares of a plate's side: flatness of its lines, greatest distance of lines along its outline, depth below the edge
 * at which the bleed begins, and its extent beyond the edge.
 */
const FLAT = 1e-4,
  NEAR = 1e-3,
  LAP = 3e-4,
  FAR = 1.5

/**
 * Shapes with bleed: where the outline of one runs along that of its plate, as a sea's does that the plate cuts, its area
 * goes on outwards, so that nothing of the plate is left between it and the edge of a picture without corners.
 */
export function bled(shapes: readonly Shape[], plate: Path): readonly Shape[] {
  const box = pathBounds(plate)
  if (!box) return shapes
  const side = Math.max(box.w, box.h),
    centre = boxCentre(box),
    outline = flattened(plate, FLAT * side)
  const isAlong = (p: Point) => nearestOnPath(outline, p)!.distance <= NEAR * side
  const from = (p: Point, by: number) => ({ x: centre.x + (p.x - centre.x) * by, y: centre.y + (p.y - centre.y) * by })
  const grownPath = (path: Path): Path => {
    const own = pathBounds(path)
    if (!own || !reaches(own, box, NEAR * side)) return path
    const strips = runsAlong(flattened(path, FLAT * side), isAlong).map((run) =>
      polyline([...run.map((p) => from(p, 1 - LAP)), ...run.toReversed().map((p) => from(p, FAR))], true),
    )
    if (strips.length === 0) return path
    return combine([path, ...strips.map((strip): Path => [strip])].map((one) => ({ path: one, role: 'adds' as const })))
  }
  const effects = new Map<GroupEffect, GroupEffect>()
  const grownEffect = (effect: GroupEffect): GroupEffect => {
    let known = effects.get(effect)
    if (!known) {
      const { mask, outer } = effect
      known = { ...effect, mask: mask && mask.map(grown), outer: outer && grownEffect(outer) }
      effects.set(effect, known)
    }
    return known
  }
  function grown(shape: Shape): Shape {
    const { path, fill, effect } = shape
    return { ...shape, ...(effect && { effect: grownEffect(effect) }), path: fill ? grownPath(path) : path }
  }
  return shapes.map(grown)
}

type Box = NonNullable<ReturnType<typeof pathBounds>>

/** Whether a box comes as near as that to a side of another. */
const reaches = (one: Box, other: Box, near: number): boolean =>
  one.x <= other.x + near ||
  one.y <= other.y + near ||
  one.x + one.w >= other.x + other.w - near ||
  one.y + one.h >= other.y + other.h - near

/** The points of runs of lines of which each lies along something from end to end; a closed run comes back to its start. */
function runsAlong(path: Path, isAlong: (p: Point) => boolean): Point[][] {
  return path.flatMap(({ segments }: Contour) => {
    const along = segments.map(({ from, to }) => isAlong(from) && isAlong(midpoint(from, to)) && isAlong(to))
    const first = along.indexOf(false)
    const order = segments.map((_, i) => (i + Math.max(0, first)) % segments.length)
    const runs: Point[][] = []
    let run: Point[] | null = null
    for (const i of order) {
      if (!along[i]) run = null
      else if (run) run.push(segments[i]!.to)
      else runs.push((run = [segments[i]!.from, segments[i]!.to]))
    }
    return runs
  })
}
