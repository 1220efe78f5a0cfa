import type { Node, NodeRun } from '../../drawing/model/node'
import { segmentBetween } from '../../drawing/model/nodes'
import { cross, distance, dot, type Point, scale } from '../../geometry/point'
import { directionAt } from '../../geometry/slope'
import type { Check } from '../check'
import { after, before, eachNode, inPaths, many } from '../look/paths'
import { isStraight } from '../look/straights'
import { SAME_DIRECTION } from '../look/tolerance'

/** A turn between curves smaller than this was meant to be none, in degrees; a corner that is meant turns by more. */
const NEARLY_SMOOTH = 8

const degrees = (radians: number): number => (radians * 180) / Math.PI

/** The turn at a node in degrees, clockwise positive; null at an end and between two straight lines. */
function turnAt(run: NodeRun, at: number): number | null {
  const node = run.nodes[at]!,
    last = before(run, at),
    next = after(run, at)
  if (!last || !next || node.corner || (isStraight(last, node) && isStraight(node, next))) return null
  const a = directionAt(segmentBetween(last, node), 1),
    b = directionAt(segmentBetween(node, next), 0)
  return degrees(Math.atan2(cross(a, b), dot(a, b)))
}

/**
 * The bulge in units of a 24 grid below which a kink is not seen: that of an arc over the shorter of the two segments
 * that turns by as much. Coordinates rounded to three digits make kinks of several degrees beside arcs of a tiny radius.
 */
const SEEN = 0.03

function isKink(run: NodeRun, at: number, unit: number): boolean {
  const turn = Math.abs(turnAt(run, at) ?? 0)
  if (turn < SAME_DIRECTION || turn > NEARLY_SMOOTH) return false
  const node = run.nodes[at]!
  const shorter = Math.min(distance(before(run, at)!, node), distance(node, after(run, at)!))
  return (shorter * turn * Math.PI) / 180 / 8 > SEEN * unit
}

/** A node whose handles run on smoothly; a handle beside a line or an arc takes its direction from that. */
function smoothed(run: NodeRun, at: number): Node {
  const node = run.nodes[at]!,
    last = before(run, at)!,
    next = after(run, at)!
  const into = directionAt(segmentBetween(last, node), 1),
    out = directionAt(segmentBetween(node, next), 0)
  const along = (handle: Point, way: Point, sign: 1 | -1): Point => scale(way, sign * Math.hypot(handle.x, handle.y))
  if (node.in && node.out && !node.arc && !last.arc) {
    const mean = { x: into.x + out.x, y: into.y + out.y },
      way = scale(mean, 1 / Math.hypot(mean.x, mean.y))
    return { ...node, kind: 'smooth', in: along(node.in, way, -1), out: along(node.out, way, 1) }
  }
  if (node.out && !node.arc) return { ...node, out: along(node.out, into, 1) }
  if (node.in && !last.arc) return { ...node, in: along(node.in, out, -1) }
  return node
}

/** Places where a curve that was meant to run on smoothly turns by a few degrees. */
export const kinks: Check = {
  id: 'kinks',
  concerns: 'slips',
  word: 'kinks in smooth curves',
  severity: 'warning',
  find(checked) {
    const unit = checked.rules.grid.size / 24
    return inPaths(
      checked,
      (path, unit) => eachNode(path, (run, at) => isKink(run, at, unit)),
      (path, faults) => {
        const contours = path.contours.map((run, contour) => ({
          ...run,
          nodes: run.nodes.map((node, i) =>
            faults.some((at) => at.contour === contour && at.node === i) ? smoothed(run, i) : node,
          ),
        }))
        const next = { ...path, contours }
        // Between two arcs, or an arc and a line, no handle can be turned.
        return eachNode(next, (run, at) => isKink(run, at, unit)).length < faults.length ? next : path
      },
      (name, count) =>
        `“${name}” has ${many(count, 'a kink of a few degrees', 'kinks of a few degrees')} in its curve.`,
    ).map(({ mend, ...found }) => {
      const [changed] = mend?.kind === 'replace' ? mend.objects : []
      return mend && changed && !checked.objects.includes(changed) ? { ...found, mend } : found
    })
  },
}
