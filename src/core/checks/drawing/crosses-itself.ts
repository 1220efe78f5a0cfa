import { styleOf } from '../../drawing/scene/shared-style'
import type { NodeRun } from '../../drawing/model/node'
import { contourOf, nodesOf } from '../../drawing/model/nodes'
import { combine } from '../../planar/boolean'
import { arrange } from '../../planar/arrangement'
import type { Check } from '../check'
import { inPaths, many } from '../look/paths'

const known = new WeakMap<NodeRun, boolean>()

/** Whether a closed contour winds around anything twice, or both ways. */
function crosses(run: NodeRun): boolean {
  let does = known.get(run)
  if (does === undefined) {
    const { windings } = arrange([[contourOf(run)]])
    const times = windings.map(([own]) => own!)
    does = Math.max(...times) - Math.min(...times) > 1
    known.set(run, does)
  }
  return does
}

/** Filled outlines that cross themselves: an area enclosed twice, or in the other direction, is an accident. */
export const crossesItself: Check = {
  id: 'crosses-itself',
  concerns: 'slips',
  remakes: 'contours',
  word: 'fills that cross themselves',
  severity: 'warning',
  find: (checked) =>
    inPaths(
      checked,
      (path) => {
        const { fill, stroke } = styleOf(path, checked.scene)
        if (fill === 'none' || stroke !== 'none' || path.regions) return []
        return path.contours.flatMap((run, contour) => (run.closed && crosses(run) ? [{ contour, node: 0 }] : []))
      },
      // The same area, as contours that do not cross.
      (path, faults) => ({
        ...path,
        contours: path.contours.flatMap((run, contour) =>
          faults.some((at) => at.contour === contour)
            ? combine([{ path: [contourOf(run)], role: 'adds' }]).map((one) => nodesOf(one))
            : [run],
        ),
      }),
      (name, count) =>
        `The outline of “${name}” crosses itself${count === 1 ? '' : ` in ${many(count, '', 'contours')}`}.`,
    ),
}
