import type { Point } from '../../geometry/point'
import type { Check } from '../check'
import { eachNode, inPaths, many } from '../look/paths'
import { SAME } from '../look/tolerance'

const tiny = (handle: Point | undefined, unit: number): boolean =>
  handle !== undefined && Math.hypot(handle.x, handle.y) < SAME * unit

/** Handles of no length, which pull nothing and get in the way. */
export const zeroHandles: Check = {
  id: 'zero-handles',
  concerns: 'litter',
  word: 'handles of no length',
  severity: 'note',
  find: (checked) => {
    const unit = checked.rules.grid.size / 24
    return inPaths(
      checked,
      (path) => eachNode(path, ({ nodes }, at) => tiny(nodes[at]!.in, unit) || tiny(nodes[at]!.out, unit)),
      (path) => ({
        ...path,
        contours: path.contours.map((run) => ({
          ...run,
          nodes: run.nodes.map((node) => {
            const { in: entering, out, ...rest } = node
            return {
              ...rest,
              ...(entering && !tiny(entering, unit) && { in: entering }),
              ...(out && !tiny(out, unit) && { out }),
            }
          }),
        })),
      }),
      (name, count) => `“${name}” has ${many(count, 'a handle', 'handles')} of no length.`,
    )
  },
}
