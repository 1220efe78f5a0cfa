import type { Contour, Path } from '../../geometry/path'
import { distance } from '../../geometry/point'
import { SAME_POINT } from '../../geometry/tolerance'
import { type Corner, roundContour } from '../../outline/corner'
import type { WithCorners } from '../model/traits'
import { contourOf } from '../model/nodes'
import type { NodeRun } from '../model/node'
import type { Scene } from './scene'
import type { CornerStyle, Radius } from '../model/style'

/** The corner of an object, or one of a place of its own. */
export function cornerOf(object: WithCorners, scene: Scene, own?: Radius, style?: CornerStyle): Corner {
  return { radius: scene.radius(own ?? object.corner), style: style ?? object.cornerStyle ?? 'round' }
}

/** Finishes the corners of contours. Segments of length zero are dropped, except in a contour that is a point. */
export function finished(path: Path, corner: (node: number) => Corner): Path {
  return path.flatMap(({ segments, closed }): Contour[] => {
    const kept = segments.flatMap((s, i) =>
      s.kind === 'line' && distance(s.from, s.to) <= SAME_POINT ? [] : [{ s, i }],
    )
    if (kept.length === 0) return closed ? [] : [{ segments: segments.slice(0, 1), closed }]
    return [roundContour({ segments: kept.map(({ s }) => s), closed }, (node) => corner(kept[node]!.i)).contour]
  })
}

/** A run of nodes with its corners finished, its own ones before the object's. */
export const finishedRun = (object: WithCorners, run: NodeRun, scene: Scene): Path =>
  finished([contourOf(run)], (i) => cornerOf(object, scene, run.nodes[i]?.corner, run.nodes[i]?.cornerStyle))

/** Nodes with each radius of their own replaced; the same nodes when none changes. */
export function withNodeRadii<N extends { corner?: Radius | undefined }>(
  nodes: readonly N[],
  change: (radius: Radius) => Radius,
): N[] {
  const next = nodes.map((node) => {
    if (node.corner === undefined) return node
    const corner = change(node.corner)
    return corner === node.corner ? node : { ...node, corner }
  })
  return next.every((node, i) => node === nodes[i]) ? (nodes as N[]) : next
}
