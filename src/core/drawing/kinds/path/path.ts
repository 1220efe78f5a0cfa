import { defineKind } from '../kind'
import { distance } from '../../../geometry/point'
import type { Node, NodeRun } from '../../model/node'
import { PathObject } from './schema'
import { geometry } from './geometry'
import { ledger } from './ledger'
import { fitting } from './fitting'
import { references } from './references'

export const path = defineKind<PathObject>({
  kind: 'path',
  word: 'Path',
  schema: PathObject,
  geometry,
  ledger,
  fitting,
  references,
  cost: {
    segments: ({ contours }) => contours.reduce((sum, { nodes }) => sum + nodes.length, 0),
    length: ({ contours }) => contours.reduce((sum, run) => sum + runLength(run), 0),
  },
})

/** The length of a run's nodes and handles, one after the other, which its curves do not exceed. */
function runLength({ nodes, closed }: NodeRun): number {
  const last = closed ? nodes.length : nodes.length - 1
  let sum = 0
  for (let i = 0; i < last; i++) {
    const a = nodes[i]!,
      b = nodes[(i + 1) % nodes.length]!
    sum += a.arc
      ? 2 * Math.PI * Math.max(a.arc.rx, a.arc.ry, distance(a, b))
      : distance(a, b) + 2 * (reach(a.out) + reach(b.in))
  }
  return sum
}

const reach = (handle: Node['in']): number => (handle ? Math.hypot(handle.x, handle.y) : 0)
