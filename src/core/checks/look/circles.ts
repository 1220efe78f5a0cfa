import { laidNodes, withLaidNodes } from '../../drawing/objects/laid-nodes'
import { moveObject } from '../../drawing/objects/transform-object'
import { keepsMiddle, type RoundStretch, roundStretches } from '../../drawing/kinds/path/fitted-run'
import type { NodeRun } from '../../drawing/model/node'
import { type DrawingObject, type Framed, isFramed, kindOf } from '../../drawing/objects/object'
import { add, type Point } from '../../geometry/point'
import { type Seen, seenIn } from './seen'
import { NEARLY, SAME } from './tolerance'

/** Whether a distance is small enough to have been meant as 0, and is not 0. */
export const isNearly = (away: number, unit: number): boolean => away > SAME * unit && away < NEARLY * unit

type Round = Seen & { readonly object: Framed }
export const isRound = (one: Seen): one is Round =>
  isFramed(one.object) && kindOf(one.object).fills === 'ellipse' && Math.abs(one.object.w - one.object.h) < 1e-6
export const centreOf = ({ x, y, w, h }: Framed): Point => ({ x: x + w / 2, y: y + h / 2 })

/** A circle, or a circular stretch of a path; `run` is the run it belongs to. */
type Circular = {
  readonly seen: Seen
  readonly centre: Point
  readonly r: number
  readonly run: object
  /** The object with it elsewhere; null where the ends of a short arc would have to stay. */
  readonly moved: (by: Point) => DrawingObject | null
}

/** Arcs of less, in radians, and of smaller radii, in units of a 24 grid, say little about a middle: they round corners. */
const LONG = 1.2,
  LARGE = 2.5

/** The circles of a drawing, and the stretches of its paths that follow one far enough to have a middle. */
export const circularIn = (objects: readonly DrawingObject[], unit: number): Circular[] =>
  seenIn(objects).flatMap((seen): Circular[] => {
    const { object } = seen
    if (isRound(seen)) {
      const { w } = seen.object
      return [{ seen, centre: centreOf(seen.object), r: w / 2, run: object, moved: (by) => moveObject(object, by) }]
    }
    const runs = laidNodes(object)
    return runs.flatMap((run) =>
      roundStretches(run)
        .filter(({ extent, r }) => extent > LONG && r > LARGE * unit)
        .map((stretch) => ({
          seen,
          centre: stretch.centre,
          r: stretch.r,
          run,
          moved: (by) =>
            keepsMiddle(stretch)
              ? withLaidNodes(
                  object,
                  runs.map((one) => (one === run ? withMoved(run, stretch, by) : one)),
                )
              : null,
        })),
    )
  })

const withMoved = (run: NodeRun, { at, count }: RoundStretch, by: Point): NodeRun => {
  const { nodes } = run
  const gone = new Set(Array.from({ length: count + 1 }, (_, k) => (at + k) % nodes.length))
  return { ...run, nodes: nodes.map((node, i) => (gone.has(i) ? { ...node, ...add(node, by) } : node)) }
}
