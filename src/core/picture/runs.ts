import { clipped } from '../drawing/kinds/group/clip'
import { withOpacity } from '../drawing/model/resolved'
import { type Run, runsOf, type Shape } from '../drawing/scene/shape'
import { pathBounds, polyline } from '../geometry/path'

type Grouped = Exclude<Run, Shape>

/** The runs of shapes for a square of a side. Shapes of groups and masks are clipped near the square. */
export const writtenRuns = (shapes: readonly Shape[], size: number, isMask = false): Run[] =>
  isMask
    ? seenRuns(runsOf(shapes), size, true)
    : runsOf(shapes).flatMap((run) => ('runs' in run && !isPlain(run) ? seenRuns([run], size) : [run]))

/** True for a group of one shape that has no effect but an opacity. */
export function isLoneShape({ effect, runs: [only, ...more] }: Grouped): boolean {
  return !effect.mask && !effect.shadow && only !== undefined && more.length === 0 && !('runs' in only)
}

/** True for a shape of one paint that is merely dimmed, for which nothing has to be painted as a layer. */
function isPlain(run: Grouped): boolean {
  const [only] = run.runs
  return isLoneShape(run) && !((only as Shape).fill && (only as Shape).stroke)
}

/** The paints of a shape at an opacity; null for a shape of two paints, which has to be dimmed as a layer. */
export const dimmed = ({ fill, stroke }: Shape, opacity: number): Pick<Shape, 'fill' | 'stroke'> | null =>
  fill && stroke
    ? null
    : {
        fill: fill && withOpacity(fill, opacity),
        stroke: stroke && { ...stroke, paint: withOpacity(stroke.paint, opacity) },
      }

/**
 * Runs as layers, clipped near the square. One rasteriser in wide use crashes on a layer that covers nothing of its
 * picture, or on a nested one with a distant origin.
 */
function seenRuns(runs: readonly Run[], size: number, isCut = false): Run[] {
  return runs.flatMap((run): Run[] => {
    if (!('runs' in run)) return seenShapes(run, size, isCut)
    const holdsLayers =
      isCut || run.effect.shadow !== undefined || run.runs.some((one) => 'runs' in one && !isPlain(one))
    const inner = seenRuns(run.runs, size, holdsLayers)
    return inner.length > 0 ? [{ ...run, runs: inner }] : []
  })
}

function seenShapes(shape: Shape, size: number, isCut: boolean): Shape[] {
  const { path, stroke } = shape,
    box = pathBounds(path)
  if (!box) return []
  const by = stroke ? (stroke.width / 2) * Math.max(Math.SQRT2, stroke.join === 'miter' ? stroke.miterLimit : 1) : 0
  const x = box.x - by,
    y = box.y - by,
    right = box.x + box.w + by,
    low = box.y + box.h + by
  if (x > size || y > size || right < 0 || low < 0) return []
  const far = 0.9 * size,
    end = size + far
  if (!isCut || (x >= -far && y >= -far && right <= end && low <= end)) return [shape]
  return clipped(
    [shape],
    [
      polyline(
        [
          { x: -far, y: -far },
          { x: end, y: -far },
          { x: end, y: end },
          { x: -far, y: end },
        ],
        true,
      ),
    ],
    'inside',
  )
}
