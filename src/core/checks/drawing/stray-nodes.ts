import { distance } from '../../geometry/point'
import type { Check } from '../check'
import { inPaths, many } from '../look/paths'
import { SAME } from '../look/tolerance'

/** Contours that have come down to one place. */
export const strayNodes: Check = {
  id: 'stray-nodes',
  concerns: 'litter',
  word: 'stray nodes',
  severity: 'warning',
  find: (checked) =>
    inPaths(
      checked,
      (path, unit) =>
        path.contours.flatMap((run, contour) =>
          run.nodes.every((node) => distance(node, run.nodes[0]!) < SAME * unit && !node.arc && !node.in && !node.out)
            ? [{ contour, node: 0 }]
            : [],
        ),
      (path, faults) => {
        const contours = path.contours.filter((_, i) => !faults.some(({ contour }) => contour === i))
        return contours.length > 0 ? { ...path, contours } : null
      },
      (name, count) => `“${name}” has ${many(count, 'a stray node', 'stray nodes')}, which draw nothing but a dot.`,
    ),
}
