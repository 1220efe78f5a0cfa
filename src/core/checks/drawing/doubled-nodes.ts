import type { Node, NodeRun } from '../../drawing/model/node'
import { distance } from '../../geometry/point'
import type { Rules } from '../../rules/rules'
import type { Check } from '../check'
import { type At, after, eachNode, inPaths, many, type PathObject, without } from '../look/paths'
import { isStraight } from '../look/straights'
import { ON_GRID } from '../../drawing/edit/exactness'

/** Nodes with a straight way between them that are nearer, in units of a 24 grid, were meant to be one. */
const ONE = 0.05

const isDoubled = (run: NodeRun, at: number, unit: number): boolean => {
  const next = after(run, at)
  if (!next || run.nodes.length < 3) return false
  const node = run.nodes[at]!,
    near = ONE * unit
  // A whole contour that is no longer draws a dot.
  return isStraight(node, next) && distance(node, next) < near && run.nodes.some((one) => distance(one, node) >= near)
}

const liesOnGrid = ({ x, y }: Node, { grid: { step } }: Rules): boolean =>
  [x, y].every((value) => Math.abs(value / step - Math.round(value / step)) < ON_GRID)

/** A path with each pair of nodes replaced by one: the node on the grid, else the later, with the handles of both. */
function joined(path: PathObject, faults: readonly At[], rules: Rules): PathObject | null {
  const gone: At[] = []
  const contours = path.contours.map((run, contour) => {
    const nodes = [...run.nodes]
    for (const at of faults) {
      if (at.contour !== contour) continue
      const i = at.node,
        k = (i + 1) % nodes.length
      const first = nodes[i]!,
        second = nodes[k]!
      const isFirstKept = liesOnGrid(first, rules) && !liesOnGrid(second, rules)
      gone.push({ contour, node: isFirstKept ? k : i })
      if (isFirstKept) nodes[i] = withSides(first, first, second)
      else nodes[k] = withSides(second, first, second)
    }
    return { ...run, nodes }
  })
  return without({ ...path, contours }, gone)
}

/** A node entered as one was and left as another was. */
function withSides(node: Node, { in: entering }: Node, { out: leaving, arc }: Node): Node {
  const { in: _, out: __, arc: ___, ...rest } = node
  return { ...rest, ...(entering && { in: entering }), ...(leaving && { out: leaving }), ...(arc && { arc }) }
}

/** Two nodes at one place, or so near that one was meant. */
export const doubledNodes: Check = {
  id: 'doubled-nodes',
  concerns: 'litter',
  word: 'doubled nodes',
  // Corners that were rounded around one node are so again.
  remakes: 'segments',
  severity: 'warning',
  find: (checked) =>
    inPaths(
      checked,
      (path, unit) => eachNode(path, (run, at) => isDoubled(run, at, unit)),
      (path, faults) => joined(path, faults, checked.rules),
      (name, count) => `“${name}” has ${many(count, 'two nodes at one place', 'places with two nodes each')}.`,
    ),
}
