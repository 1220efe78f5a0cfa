import { reverseContour } from '../../drawing/edit/contour-edit'
import { styleOf } from '../../drawing/scene/shared-style'
import type { NodeRun } from '../../drawing/model/node'
import { contourOf } from '../../drawing/model/nodes'
import { sweptTwice } from '../../geometry/area'
import { boxInside } from '../../geometry/box'
import { type Contour, pathBounds } from '../../geometry/path'
import { pointAt } from '../../geometry/segment'
import { winding } from '../../geometry/winding'
import type { Check } from '../check'
import { inPaths, many, type PathObject } from '../look/paths'

/** Whether a contour lies wholly within another that encloses it, as far as its nodes and the middles between tell. */
const isWithin = (inner: Contour, outer: Contour): boolean =>
  boxInside(pathBounds([inner])!, pathBounds([outer])!) &&
  inner.segments.every((one) => [0, 0.5].every((t) => winding([outer], pointAt(one, t)) !== 0))

const isClockwise = ({ segments }: Contour): boolean => segments.reduce((sum, one) => sum + sweptTwice(one), 0) > 0

/** The contours that lie in one other of the same direction, and so are filled with it. */
function filled({ contours }: PathObject): number[] {
  const all = contours.map((run: NodeRun) => (run.closed ? contourOf(run) : null))
  return all.flatMap((inner, i) => {
    const around = inner ? all.filter((outer, k) => outer && k !== i && isWithin(inner, outer)) : []
    return around.length === 1 && isClockwise(around[0]!) === isClockwise(inner!) ? [i] : []
  })
}

/** Contours within another that run the same way, so that they are filled where a counter was meant. */
export const filledCounter: Check = {
  id: 'filled-counter',
  concerns: 'slips',
  remakes: 'contours',
  word: 'counters that are filled',
  severity: 'warning',
  find: (checked) =>
    inPaths(
      checked,
      (path) => {
        const { fill, stroke } = styleOf(path, checked.scene)
        if (fill === 'none' || stroke !== 'none' || path.contours.length < 2 || path.regions) return []
        return filled(path).map((contour) => ({ contour, node: 0 }))
      },
      (path, faults) => faults.reduce((so, { contour }) => reverseContour(so, contour), path),
      (name, count) =>
        `“${name}” has ${many(count, 'a contour', 'contours')} within another that ${count === 1 ? 'is' : 'are'} filled with it, not cut out.`,
    ),
}
