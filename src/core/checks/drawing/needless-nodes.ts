import type { NodeRun } from '../../drawing/model/node'
import { type Point, distance } from '../../geometry/point'
import type { Check } from '../check'
import { after, before, eachNode, inPaths, many, without } from '../look/paths'
import { isStraight } from '../look/straights'
import { SAME } from '../look/tolerance'

const isNeedless = (run: NodeRun, at: number, unit: number): boolean => {
  const node = run.nodes[at]!,
    last = before(run, at),
    next = after(run, at)
  if (!last || !next || run.nodes.length < 3 || node.corner || node.join || node.cap) return false
  if (!isStraight(last, node) || !isStraight(node, next)) return false
  if (distance(node, next) < SAME * unit || distance(last, node) < SAME * unit) return false
  return (
    fromLine(node, last, next) < SAME * unit &&
    (node.x - last.x) * (next.x - node.x) + (node.y - last.y) * (next.y - node.y) > 0
  )
}

function fromLine(p: Point, a: Point, b: Point): number {
  const length = distance(a, b)
  return length === 0 ? distance(p, a) : Math.abs((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x)) / length
}

/** Nodes in the middle of a straight line. */
export const needlessNodes: Check = {
  id: 'needless-nodes',
  concerns: 'litter',
  word: 'needless nodes',
  severity: 'note',
  find: (checked) =>
    inPaths(
      checked,
      (path, unit) => eachNode(path, (run, at) => isNeedless(run, at, unit)),
      without,
      (name, count) => `“${name}” has ${many(count, 'a node', 'nodes')} in the middle of a straight line.`,
    ),
}
