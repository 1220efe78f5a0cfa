import { z } from 'zod'
import { polyline } from '../../../geometry/path'
import { distance } from '../../../geometry/point'
import { tidy } from '../../../geometry/tidy'
import { cornerOf, finished } from '../../evaluate/corners'
import { fittedFrame } from '../../edit/fitting'
import { frameCorners } from '../../model/frame'
import { cornerGrip, pulledRadius, radiusFigure } from '../../model/grip'
import type { NodeRun } from '../../model/node'
import { Finish, Radius } from '../../model/style'
import { defineKind } from '../kind'
import { common, cornered, framed } from '../traits'
import { SAME_POINT } from '../../../geometry/tolerance'

/** `corners`, clockwise from the top left, go before `corner`. */
const Rectangle = z.strictObject({
  kind: z.literal('rectangle'),
  ...common,
  ...framed,
  ...cornered,
  corners: z.array(Radius).length(4).optional(),
  style: Finish,
})
export type Rectangle = z.infer<typeof Rectangle>

export const rectangle = defineKind<Rectangle>({
  kind: 'rectangle',
  word: 'Rectangle',
  schema: Rectangle,
  fills: 'sides',
  room: ({ w, h }) => Math.min(w, h) / 2,
  edge: (object, scene) =>
    finished([polyline(frameCorners(object), true)], (i) => cornerOf(object, scene, object.corners?.[i])),
  // Corners of a radius of their own take as much of the shorter side as before: half a circle stays one.
  fit(object, to) {
    const next = fittedFrame(object, to)
    if (!next) return null
    const by = Math.min(next.w, next.h) / (Math.min(object.w, object.h) * to.scale)
    const kept = (radius: Radius): Radius => (typeof radius === 'number' ? tidy(radius * by) : radius)
    return { ...next, corner: kept(next.corner), ...(next.corners && { corners: next.corners.map(kept) }) }
  },
  turnedOver(object) {
    if (!object.corners) return object
    const [a, b, c, d] = object.corners as [Radius, Radius, Radius, Radius]
    return { ...object, corners: [b, a, d, c] }
  },
  withRadii(object, change) {
    if (!object.corners) return object
    const corners = object.corners.map(change)
    return corners.every((corner, i) => corner === object.corners![i]) ? object : { ...object, corners }
  },
  segments: () => 8,
  fields: () => [
    {
      id: 'corners',
      what: 'the corners',
      as: 'radii',
      places: [
        { at: 0, word: 'top left' },
        { at: 1, word: 'top right' },
        { at: 3, word: 'bottom left' },
        { at: 2, word: 'bottom right' },
      ],
      read: ({ corners }) => corners ?? null,
      alike: ({ corner }) => corner,
      write: oneCorner,
      reset: alike,
    },
  ],
  grips: (object, scene, least) =>
    frameCorners(object).map((_, i) => ({
      id: `corner ${i}`,
      at: cornerGrip(frameCorners(object), i, scene.radius(object.corners?.[i] ?? object.corner), least),
      what: 'corner',
    })),
  pull(object, grip, to, scene, pull) {
    const i = Number(grip.split(' ')[1]),
      radius = pulledRadius(frameCorners(object), i, to, scene, pull)
    const corner = typeof radius === 'number' ? Math.min(radius, Math.min(object.w, object.h) / 2) : radius
    return {
      object: pull.alone ? oneCorner(object, i, corner) : { ...alike(object), corner },
      figure: radiusFigure(corner, scene),
    }
  },
  nodes: (object) => [
    {
      closed: true,
      nodes: frameCorners(object).map(({ x, y }, i) => ({
        x: tidy(x),
        y: tidy(y),
        ...(object.corners && { corner: object.corners[i]! }),
      })),
    },
  ],
  fold: withCorners,
  lost: 'width, height and turn as numbers',
  any: ({ fc, frame, corner, radius, style }) =>
    fc
      .tuple(frame, corner, fc.option(fc.array(radius, { minLength: 4, maxLength: 4 }), { nil: undefined }), style)
      .map(([box, own, corners, finish]) => ({ ...box, ...own, ...(corners && { corners }), style: finish })),
})

function alike({ corners: _, ...rest }: Rectangle): Rectangle {
  return rest
}

const oneCorner = (object: Rectangle, i: number, corner: Radius): Rectangle => ({
  ...object,
  corners: Array.from({ length: 4 }, (_, k) => (k === i ? corner : (object.corners?.[k] ?? object.corner))),
})

/** A rectangle of which only corners were finished otherwise; null when more was edited. */
function withCorners(object: Rectangle, [run, ...more]: readonly NodeRun[]): Rectangle | null {
  const places = frameCorners(object)
  const kept =
    run?.closed &&
    more.length === 0 &&
    run.nodes.length === 4 &&
    run.nodes.every(
      (node, i) =>
        distance(node, places[i]!) < SAME_POINT &&
        !node.in &&
        !node.out &&
        !node.arc &&
        !node.cornerStyle &&
        !node.join,
    )
  if (!kept) return null
  const corners = run.nodes.map(({ corner }) => corner ?? object.corner)
  return corners.every((corner) => corner === corners[0])
    ? { ...alike(object), corner: corners[0]! }
    : { ...object, corners }
}
