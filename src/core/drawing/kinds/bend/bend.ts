import { z } from 'zod'
import { boxUnion } from '../../../geometry/box'
import { distance } from '../../../geometry/point'
import { applyTidy } from '../../../geometry/tidy'
import { along, type Bending } from '../../../outline/warp'
import { carried, carriedPath } from '../../carried'
import { NodeRun } from '../../node'
import { transformNode } from '../../node-transform'
import { contourOf } from '../../nodes'
import { PointXY } from '../../place'
import type { Field } from '../field'
import { defineKind } from '../kind'
import { visible } from '../members'
import { together, united } from '../together'
import { common, type WithMembers } from '../traits'
import { freehandRun, Trace } from './trace'

/**
 * Members bent along strokes: what lies along the straight `base` goes to the same share of each stroke's length, what
 * lies beside it stays beside it, `width` times as far. A stroke drawn by hand keeps its `trace`, so that it can be
 * smoothed more or less later.
 */
const Bend = z.strictObject({
  kind: z.literal('bend'),
  ...common,
  base: z.strictObject({ from: PointXY, to: PointXY }),
  strokes: z
    .array(z.strictObject({ run: NodeRun, trace: Trace.optional() }))
    .min(1)
    .max(100),
  width: z.number().min(-100).max(100),
})
type Bend = z.infer<typeof Bend> & WithMembers

export const bend = defineKind<Bend>({
  kind: 'bend',
  word: 'Bend',
  schema: Bend,
  hasMembers: true,
  edge: (object, scene) =>
    together(
      bendings(object).flatMap((bending) =>
        visible(object.members).map((member) => carriedPath(scene.edge(member), bending)),
      ),
    ),
  solid: (object, scene) =>
    united(
      bendings(object).flatMap((bending) =>
        visible(object.members).map((member) => carriedPath(scene.solid(member), bending)),
      ),
    ),
  shapes(object, scene) {
    const shapes = object.members.flatMap((member) => scene.shapes(member))
    return bendings(object).flatMap((bending) => carried(shapes, bending, 'bent'))
  },
  frame: ({ members }, scene) => boxUnion(members.map((member) => scene.box(member)))!,
  isSmaller: () => true,
  isEven: () => true,
  transform: (object, map) => ({
    ...object,
    base: { from: applyTidy(map, object.base.from), to: applyTidy(map, object.base.to) },
    strokes: object.strokes.map(({ run, trace }) => ({
      run: { ...run, nodes: run.nodes.map((node) => transformNode(node, map)) },
      ...(trace && { trace: { ...trace, points: trace.points.map((p) => applyTidy(map, p)) } }),
    })),
  }),
  times: ({ strokes }) => 4 * strokes.length,
  fields: ({ strokes }) => (strokes.some(({ trace }) => trace) ? [WIDTH, SMOOTHNESS] : [WIDTH]),
  nodes: ({ strokes }) => strokes.map(({ run }) => run),
  // A stroke whose nodes were touched is no longer what the hand drew.
  fold: (object, contours) =>
    contours.length === 0
      ? null
      : {
          ...object,
          strokes: contours.map((run) => object.strokes.find((one) => one.run === run) ?? { run: run as NodeRun }),
        },
  summary: ({ strokes }) => `along ${strokes.length === 1 ? 'a stroke' : `${strokes.length} strokes`}`,
  lost: null,
  any: ({ fc, members, half }) =>
    fc.record({
      base: fc.constant({ from: { x: 0, y: 12 }, to: { x: 24, y: 12 } }),
      strokes: fc.constantFrom(
        [
          {
            run: {
              closed: false,
              nodes: [
                { x: 2, y: 4 },
                { x: 20, y: 8 },
              ],
            },
          },
        ],
        [
          {
            run: {
              closed: false,
              nodes: [
                { x: 2, y: 20, arc: { rx: 12, ry: 12, sweep: true } },
                { x: 22, y: 20 },
              ],
            },
          },
        ],
      ),
      width: half(1, 2),
      members: members(1),
    }),
})

/** The map along each stroke that is long enough to be one. */
function bendings({ base, strokes, width }: Bend): Bending[] {
  if (distance(base.from, base.to) < 1e-6) return []
  return strokes.flatMap(({ run }) => {
    const contour = contourOf(run)
    return contour.segments.some(({ from, to }) => distance(from, to) > 1e-6) ? [along(contour, base, width)] : []
  })
}

const WIDTH: Field<Bend> = {
  id: 'width',
  what: 'the width',
  as: 'number',
  suffix: ' % wide',
  step: 5,
  limits: { least: -10_000, most: 10_000 },
  read: ({ width }) => width * 100,
  write: (object, value) => ({ ...object, width: value / 100 }),
}

const SMOOTHNESS: Field<Bend> = {
  id: 'smoothness',
  what: 'the smoothness',
  as: 'number',
  suffix: ' smooth',
  step: 0.05,
  limits: { least: 0.01, most: 10 },
  read: ({ strokes }) => strokes.find(({ trace }) => trace)?.trace!.smoothness ?? 0,
  write: (object, smoothness) => ({
    ...object,
    strokes: object.strokes.map((one) => {
      if (!one.trace) return one
      const trace = { ...one.trace, smoothness }
      const run = freehandRun(trace)
      return run ? { run, trace } : one
    }),
  }),
}
