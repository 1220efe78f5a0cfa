import type { DrawingObject } from '../../drawing/objects/object'
import { laidNodes, withLaidNodes } from '../../drawing/objects/laid-nodes'
import type { Node } from '../../drawing/model/node'
import type { Point } from '../../geometry/point'

/** A straight stretch, and functions that move either end of it. */
export type Straight = {
  readonly from: Point
  readonly to: Point
  readonly withFrom: (p: Point) => DrawingObject
  readonly withTo: (p: Point) => DrawingObject
}

/** The straight stretches between nodes that an object was drawn by. */
export function straightsOf(object: DrawingObject): Straight[] {
  const runs = laidNodes(object)
  return runs.flatMap(({ closed, nodes }, contour) => {
    const moved = (at: number, { x, y }: Point): DrawingObject =>
      withLaidNodes(
        object,
        runs.map((run, i) =>
          i === contour ? { ...run, nodes: run.nodes.map((node, k) => (k === at ? { ...node, x, y } : node)) } : run,
        ),
      )
    return nodes.flatMap((node, i): Straight[] => {
      const next = (i + 1) % nodes.length
      if ((next === 0 && !closed) || !isStraight(node, nodes[next]!)) return []
      return [{ from: node, to: nodes[next]!, withFrom: (p) => moved(i, p), withTo: (p) => moved(next, p) }]
    })
  })
}

const isNothing = (handle: Point | undefined): boolean => !handle || (handle.x === 0 && handle.y === 0)

/** True where the segment between two nodes is a straight line. */
export const isStraight = (a: Node, b: Node): boolean => isNothing(a.out) && isNothing(b.in) && !a.arc
