import { z } from 'zod'
import { type Box, boxUnion } from '../../../geometry/box'
import { pathBounds } from '../../../geometry/path'
import { distance } from '../../../geometry/point'
import { applyTidy } from '../../../geometry/tidy'
import { along, type Bending } from '../../../outline/warp'
import { carried, carriedPath } from '../../evaluate/carried'
import { NodeRun } from '../../model/node'
import { transformNode } from '../../edit/node-transform'
import { contourOf } from '../../model/nodes'
import { PointXY } from '../../model/place'
import type { Scene } from '../../evaluate/scene'
import type { Field } from '../field'
import { defineKind } from '../kind'
import { visible } from '../members'
import { together, united } from '../together'
import { common, type WithMembers } from '../traits'
import { freehandRun, Trace } from './trace'

/**
 * Members bent along strokes. A share of the length of the straight `base` goes to the same share of each stroke's
 * length; distances from it are kept, times `width`. A stroke drawn by hand keeps its `trace`, which allows another
 * smoothing later. The result may be `flipped` over its stroke, `reversed`, or both.
 */
const Bend = z.strictObject({
  kind: z.literal('bend'),
  ...common,
  base: z.strictObject({ from: PointXY, to: PointXY }),
  strokes: z
    .array(
      z.strictObject({
        run: NodeRun,
        trace: Trace.optional(),
        lies: z.enum(['flipped', 'reversed', 'both']).optional(),
      }),
    )
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
        visible(object.members).map((member) => carriedPath(scene.edge(member), bending, scene.tolerance)),
      ),
    ),
  operand: (object, scene) =>
    united(
      bendings(object).flatMap((bending) =>
        visible(object.members).map((member) => carriedPath(scene.solid(member), bending, scene.tolerance)),
      ),
    ),
  shapes(object, scene) {
    const shapes = object.members.flatMap((member) => scene.shapes(member))
    return bendings(object).flatMap((bending) => carried(shapes, bending, 'bent', scene.tolerance))
  },
  frame: drawnBox,
  isSmaller: () => true,
  isEven: () => true,
  transform: (object, map) => ({
    ...object,
    base: { from: applyTidy(map, object.base.from), to: applyTidy(map, object.base.to) },
    strokes: object.strokes.map(({ run, trace, ...how }) => ({
      ...how,
      run: { ...run, nodes: run.nodes.map((node) => transformNode(node, map)) },
      ...(trace && { trace: { ...trace, points: trace.points.map((p) => applyTidy(map, p)) } }),
    })),
  }),
  times: ({ strokes }) => 4 * strokes.length,
  fields: ({ strokes }) => [
    WIDTH,
    ...(strokes.some(({ trace }) => trace) ? [SMOOTHNESS] : []),
    ...strokes.map((_, i) => lying(i)),
  ],
  nodes: ({ strokes }) => strokes.map(({ run }) => run),
  // A stroke whose nodes were touched is no longer what the hand drew.
  fold: (object, contours) =>
    contours.length === 0
      ? null
      : {
          ...object,
          strokes: contours.map((run, i) => {
            const { lies } = (contours.length === object.strokes.length && object.strokes[i]) || {}
            return object.strokes.find((one) => one.run === run) ?? { run: run as NodeRun, ...(lies && { lies }) }
          }),
        },
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
            lies: 'both',
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

/** The box of the result; of the members if that is empty. */
function drawnBox(object: Bend, scene: Scene): Box {
  return pathBounds(scene.edge(object)) ?? boxUnion(object.members.map((member) => scene.box(member)))!
}

/** The map along each stroke that is long enough to be one. */
function bendings({ base, strokes, width }: Bend): Bending[] {
  if (distance(base.from, base.to) < 1e-6) return []
  return strokes.flatMap(({ run, lies }) => {
    const contour = contourOf(run)
    if (!contour.segments.some(({ from, to }) => distance(from, to) > 1e-6)) return []
    const isReversed = lies === 'reversed' || lies === 'both',
      isFlipped = lies === 'flipped' || lies === 'both'
    return [along(contour, isReversed ? { from: base.to, to: base.from } : base, isFlipped ? -width : width)]
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

const LIES = {
  'as drawn': undefined,
  'flipped over it': 'flipped',
  'from its end': 'reversed',
  'both ways': 'both',
} as const

/** Fields for the course of the members along one of the strokes. */
const lying = (i: number): Field<Bend> => ({
  id: `stroke ${i + 1}`,
  what: `how it lies along stroke ${i + 1}`,
  as: 'choice',
  options: Object.keys(LIES),
  read: ({ strokes }) => Object.entries(LIES).find(([, lies]) => lies === strokes[i]?.lies)![0],
  write: (object, word) => ({
    ...object,
    strokes: object.strokes.map((one, k) => {
      if (k !== i) return one
      const { lies: _, ...rest } = one
      const lies = LIES[word as keyof typeof LIES]
      return lies ? { ...rest, lies } : rest
    }),
  }),
})

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
      return run ? { ...one, run, trace } : one
    }),
  }),
}
