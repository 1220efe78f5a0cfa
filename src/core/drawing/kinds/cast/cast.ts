import { styleOf } from '../../evaluate/shared-style'
import { z } from 'zod'
import { boxUnion } from '../../../geometry/box'
import { type Path, pathBounds } from '../../../geometry/path'
import { dot, type Point, unit } from '../../../geometry/point'
import { tidy } from '../../../geometry/tidy'
import { apply } from '../../../geometry/transform'
import { swept, vectorOf } from '../../../outline/sweep'
import { combine } from '../../../planar/boolean'
import { fittedPlace } from '../../edit/fitting'
import { Cut } from '../../model/cut'
import { withOpacity } from '../../evaluate/resolved'
import type { Scene } from '../../evaluate/scene'
import type { Shape } from '../../evaluate/shape'
import { Finish } from '../../model/style'
import type { Field } from '../field'
import { defineKind } from '../kind'
import { visible } from '../members'
import { movedPlacing } from '../placement/placed'
import { laidPlate } from '../plate/laid'
import { united } from '../together'
import { common, Degrees, type WithMembers } from '../traits'

/**
 * A flat long shadow: the area that the members sweep in a direction (degrees, anticlockwise from the right), for a
 * length, or to the edge of the plate that clips it. It may fade towards its end.
 */
const Cast = z.strictObject({
  kind: z.literal('cast'),
  ...common,
  angle: Degrees,
  length: z.number().min(0).max(10_000),
  /** The plate of the rules that cuts it, and where that is centred. */
  cut: Cut.optional(),
  /** It is not cut, though there be a plate. */
  whole: z.literal(true).optional(),
  fades: z.literal(true).optional(),
  style: Finish,
})
type Cast = z.infer<typeof Cast> & WithMembers

export const cast = defineKind<Cast>({
  kind: 'cast',
  word: 'Cast',
  schema: Cast,
  hasMembers: true,
  stands: 'shade',
  cut: ({ cut }) => cut,
  withCut: ({ cut: _, ...rest }, cut) => (rest.whole || !cut ? rest : { ...rest, cut }),
  edge: (object, scene) => united([shadowOf(object, scene), ...solids(object, scene)]),
  operand: (object, scene) => united(solids(object, scene)),
  shapes(object, scene) {
    const shadow = shadowOf(object, scene)
    const drawn = scene.painted(object, shadow)
    return [
      ...(object.fades ? drawn.map((shape) => faded(object, shape)) : drawn),
      ...object.members.flatMap((member) => scene.shapes(member)),
    ]
  },
  // Its numbers are those of what casts it.
  frame: ({ members }, scene) => boxUnion(members.map((member) => scene.box(member)))!,
  isSmaller: () => true,
  isEven: () => true,
  transform(object, map) {
    const d = vectorOf(1, object.angle)
    const to = apply([map[0], map[1], map[2], map[3], 0, 0], d)
    const angle = (-Math.atan2(to.y, to.x) * 180) / Math.PI
    return {
      ...object,
      angle: tidy(Math.round(angle * 1e9) / 1e9),
      length: tidy(object.length * Math.hypot(to.x, to.y)),
      ...(object.cut && { cut: movedPlacing(object.cut, map) }),
    }
  },
  fit: (object, { scale, x, y }) => ({
    ...object,
    length: tidy(object.length * scale),
    ...(object.cut && {
      cut: { ...movedPlacing(object.cut, [scale, 0, 0, scale, 0, 0]), at: fittedPlace(object.cut.at, { scale, x, y }) },
    }),
  }),
  plate: ({ cut }) => cut?.plate,
  withPlate: (object, plate) => (object.cut ? { ...object, cut: { ...object.cut, plate } } : object),
  segments: () => 0,
  times: () => 4,
  fields: () => FIELDS,
  lost: null,
  any: ({ fc, members, half }) =>
    fc.record(
      {
        angle: fc.constantFrom(-45, 30, 120),
        length: half(1, 8),
        fades: fc.constant(true),
        whole: fc.constant(true),
        style: fc.constant({ fill: 'ink', fillOpacity: 0.25, stroke: 'none', weight: 1 }),
        members: members(2),
      },
      { requiredKeys: ['angle', 'length', 'style', 'members'] },
    ),
})

const solids = ({ members }: Cast, scene: Scene): Path[] => visible(members).map((member) => scene.ink(member))

/** The swept area of the members, clipped by the plate. */
function shadowOf(object: Cast, scene: Scene): Path {
  const { angle, length, cut } = object
  const silhouette = united(solids(object, scene))
  const box = pathBounds(silhouette)
  if (!box) return []
  const plate = cut && laidPlate(scene.plate(cut.plate), cut)
  // To the edge of the plate, beyond all members.
  const whole = plate ? pathBounds(plate)! : box
  const far = length || Math.hypot(whole.w, whole.h) + Math.hypot(box.w, box.h)
  const area = swept(silhouette, vectorOf(far, angle))
  return plate
    ? combine([
        { path: area, role: 'adds' },
        { path: plate, role: 'overlap' },
      ])
    : area
}

/** A shadow that is as strong as its paint where it begins, and nothing where it ends. */
function faded({ angle }: Cast, shape: Shape): Shape {
  const { fill, path } = shape
  const box = pathBounds(path)
  if (!fill || 'kind' in fill || !box) return shape
  const d = unit(vectorOf(1, angle))
  const corners: Point[] = [
    { x: box.x, y: box.y },
    { x: box.x + box.w, y: box.y },
    { x: box.x, y: box.y + box.h },
    { x: box.x + box.w, y: box.y + box.h },
  ]
  const along = corners.map((p) => dot(p, d))
  const centre = { x: box.x + box.w / 2, y: box.y + box.h / 2 },
    middle = dot(centre, d)
  const place = (way: number): Point => ({ x: centre.x + d.x * (way - middle), y: centre.y + d.y * (way - middle) })
  return {
    ...shape,
    fill: {
      kind: 'linear',
      from: place(Math.min(...along)),
      to: place(Math.max(...along)),
      opacity: fill.opacity,
      stops: [
        { at: 0, color: withOpacity(fill, 1 / fill.opacity) as typeof fill },
        { at: 1, color: { ...fill, opacity: 0 } },
      ],
    },
  }
}

const FIELDS: readonly Field<Cast>[] = [
  {
    id: 'angle',
    what: 'the angle',
    as: 'number',
    suffix: '°',
    step: 15,
    limits: { least: -360, most: 360 },
    read: ({ angle }) => angle,
    write: (object, angle) => ({ ...object, angle }),
  },
  {
    id: 'length',
    what: 'the length',
    as: 'number',
    suffix: ' long (0: to the edge)',
    step: 1,
    limits: { least: 0, most: 10_000 },
    read: ({ length }) => length,
    write: (object, length) => ({ ...object, length }),
  },
  {
    id: 'strength',
    what: 'the strength',
    as: 'number',
    suffix: ' % strong',
    step: 5,
    limits: { least: 0, most: 100 },
    read: (object, scene) => (styleOf(object, scene).fillOpacity ?? 1) * 100,
    write: (object, value, scene) => ({ ...object, style: { ...styleOf(object, scene), fillOpacity: value / 100 } }),
  },
  {
    id: 'edge',
    what: 'where it is cut',
    as: 'choice',
    options: ['cut by the plate', 'whole'],
    read: ({ whole }) => (whole ? 'whole' : 'cut by the plate'),
    write: ({ whole: _, ...rest }, way) => (way === 'whole' ? { ...rest, whole: true } : rest),
  },
  {
    id: 'end',
    what: 'how it ends',
    as: 'choice',
    options: ['flat', 'fading'],
    read: ({ fades }) => (fades ? 'fading' : 'flat'),
    write: ({ fades: _, ...rest }, way) => (way === 'fading' ? { ...rest, fades: true } : rest),
  },
]
