import type { PathObject } from '../kinds/path/schema'
import type { Node, NodeRun } from '../model/node'

/** How far apart two numbers may be that are one but for rounding errors. */
const SAME = 1e-7

/**
 * The earlier form of a path that it has come back to, to the last digit, or the path itself. Where a node that was
 * inserted is deleted again, its neighbours have lost the last bits of their handles, and whether they were symmetric.
 */
export function restored(path: PathObject, earlier: Iterable<PathObject>): PathObject {
  for (const one of earlier) {
    const contours = one.contours.length === path.contours.length
    if (contours && one.contours.every((run, i) => isSameRun(run, path.contours[i]!)))
      return { ...path, contours: one.contours }
  }
  return path
}

const isSameRun = (a: NodeRun, b: NodeRun): boolean =>
  a.closed === b.closed && a.nodes.length === b.nodes.length && a.nodes.every((node, i) => isSame(node, b.nodes[i]!))

/** Whether two nodes are the same but for rounding errors and for their kind, which handles may have lost. */
function isSame({ kind: _, ...a }: Node, { kind: __, ...b }: Node): boolean {
  const close = (one: unknown, other: unknown): boolean => {
    if (typeof one === 'number' && typeof other === 'number') return Math.abs(one - other) <= SAME
    if (typeof one !== 'object' || typeof other !== 'object' || !one || !other) return one === other
    const keys = Object.keys(one)
    return (
      keys.length === Object.keys(other).length &&
      keys.every((key) => close(one[key as keyof typeof one], other[key as keyof typeof other]))
    )
  }
  return close(a, b)
}
