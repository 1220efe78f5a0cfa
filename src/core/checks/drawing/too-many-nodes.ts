import { contourOf, nodesOf } from '../../drawing/model/nodes'
import type { NodeRun } from '../../drawing/model/node'
import { simplify } from '../../outline/simplify'
import type { Check } from '../check'
import { inPaths } from '../look/paths'
import { SAME } from '../look/tolerance'

/** How many nodes a contour must have too many to be named, and as which share of those it has. */
const SPARED = 3,
  SHARE = 1 / 3

const known = new WeakMap<NodeRun, NodeRun>()

/** A contour with as few nodes as draw the same; itself where it has few, or where nodes have a finish of their own. */
function sparing(run: NodeRun, unit: number): NodeRun {
  let spared = known.get(run)
  if (!spared) known.set(run, (spared = made(run, unit)))
  return spared
}

function made(run: NodeRun, unit: number): NodeRun {
  const { nodes } = run
  if (nodes.length <= SPARED || nodes.some(({ corner, join, cap }) => corner || join || cap)) return run
  const [simple] = simplify([contourOf(run)], SAME * unit)
  const fewer = simple && nodesOf(simple, nodes)
  const spared = fewer ? nodes.length - fewer.nodes.length : 0
  return fewer && spared >= SPARED && spared >= SHARE * nodes.length ? fewer : run
}

/** Contours that need far fewer nodes for the same course. */
export const tooManyNodes: Check = {
  id: 'too-many-nodes',
  concerns: 'litter',
  word: 'many more nodes than needed',
  severity: 'note',
  find(checked) {
    const unit = checked.rules.grid.size / 24
    return inPaths(
      checked,
      (path) =>
        path.contours.flatMap((run, contour) =>
          run.nodes.slice(0, run.nodes.length - sparing(run, unit).nodes.length).map((_, node) => ({ contour, node })),
        ),
      (path) => ({ ...path, contours: path.contours.map((run) => sparing(run, unit)) }),
      (name, count) => `“${name}” has ${count} more nodes than its outline needs.`,
    )
  },
}
