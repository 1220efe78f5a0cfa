import type { NodeAt } from '@/core/drawing/node-edit'
import type { PathObject } from '@/core/drawing/object'
import type { Bench } from './bench'

export const nodeKey = ({ contour, node }: NodeAt): string => `${contour} ${node}`

export function nodeOfKey(key: string): NodeAt {
  const [contour, node] = key.split(' ').map(Number)
  return { contour: contour!, node: node! }
}

/** The one path whose nodes are edited: the selected one, when it is alone and not locked. */
export function editedPath(bench: Bench): PathObject | null {
  const [path, ...more] = bench.free
  return path?.kind === 'path' && more.length === 0 ? path : null
}

/** The selected nodes that are there, in order. */
export function selectedNodes(bench: Bench): NodeAt[] {
  const path = editedPath(bench)
  if (!path) return []
  const { nodes } = bench.store.getState()
  return path.contours.flatMap((run, contour) => run.nodes.flatMap((_, node) => (nodes.has(nodeKey({ contour, node })) ? [{ contour, node }] : [])))
}

/** Every node of a path. */
export const allNodes = (path: PathObject): NodeAt[] => path.contours.flatMap((run, contour) => run.nodes.map((_, node) => ({ contour, node })))
