import { z } from 'zod'
import { boxUnion } from '../../../geometry/box'
import { type Path, transformPath } from '../../../geometry/path'
import { tidy } from '../../../geometry/tidy'
import type { Transform } from '../../../geometry/transform'
import { fittedPlace } from '../../edit/fitting'
import { PointXY } from '../../model/place'
import { inkOf } from '../../evaluate/ink'
import { movedPaint } from '../../evaluate/resolved'
import type { Scene } from '../../evaluate/scene'
import type { Shape } from '../../evaluate/shape'
import { defineKind, type LoosePiece } from '../kind'
import { visible } from '../members'
import { together, united } from '../together'
import { common, Degrees, hasMembers, hasStyle, type Thing, type WithMembers } from '../traits'
import { imagesOf, mirrored, movedAxis } from './images'

/**
 * Live symmetry about a point: the members, and their images turned to each of `folds` places around it; with `flip`
 * each is also turned over at the line through it at `angle` (degrees, anticlockwise from the right). Open lines are
 * joined where images meet.
 */
export const Mirror = z.strictObject({
  kind: z.literal('mirror'),
  ...common,
  at: PointXY,
  angle: Degrees,
  folds: z.int().min(1).max(120),
  flip: z.boolean(),
})
type Mirror = z.infer<typeof Mirror> & WithMembers

export const mirror = defineKind<Mirror>({
  kind: 'mirror',
  word: 'Mirror',
  schema: Mirror,
  hasMembers: true,
  edge(object, scene) {
    const images = imagesOf(object)
    return together(visible(object.members).flatMap((member) => mirrored(scene.edge(member), images)))
  },
  operand(object, scene) {
    const images = imagesOf(object)
    return united(visible(object.members).flatMap((member) => mirroredSolid(member, images, scene)))
  },
  shapes(object, scene) {
    const images = imagesOf(object)
    return object.members.flatMap((member) => scene.shapes(member)).flatMap((one) => mirroredShapes(one, images))
  },
  frame: (object, scene) =>
    boxUnion(imagesOf(object).flatMap((map) => object.members.map((member) => scene.box(member, map))))!,
  // Half a turn, and a flip across or down, go with any scaling.
  isEven: ({ folds, flip, angle }) => folds > 2 || (flip && angle % 90 !== 0),
  transform(object, map) {
    const { at, angle } = movedAxis(object, map)
    return { ...object, at: { x: tidy(at.x), y: tidy(at.y) }, angle: tidy(angle) }
  },
  mirror(object) {
    if (!isPlumb(object)) return null
    const axis = object.angle % 180 === 0 ? 'y' : 'x'
    return { axis, at: object.at[axis] }
  },
  middle: ({ at }) => at,
  fit: (object, to) => (isPlumb(object) ? { ...object, at: fittedPlace(object.at, to) } : null),
  times: ({ folds, flip }) => folds * (flip ? 2 : 1),
  fields: () => [
    {
      id: 'images',
      what: 'the images',
      as: 'choice',
      options: ['flipped', 'turned'],
      read: ({ flip }) => (flip ? 'flipped' : 'turned'),
      write: (object, way) => ({ ...object, flip: way === 'flipped' }),
    },
    {
      id: 'folds',
      what: 'the folds',
      as: 'number',
      suffix: '×',
      step: 1,
      limits: { least: 1, most: 120, whole: true },
      read: ({ folds }) => folds,
      write: (object, folds) => ({ ...object, folds }),
    },
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
  ],
  grips: ({ at }) => [{ id: 'at', at, what: 'centre', isPlace: true }],
  pull(object, _, to, __, { step }) {
    const on = (value: number) => (step === null ? tidy(value) : Math.round(value / step) * step)
    const at = { x: on(to.x), y: on(to.y) }
    return { object: { ...object, at }, figure: `about ${at.x}, ${at.y}` }
  },
  loose(object, scene) {
    const images = imagesOf(object)
    return object.members.flatMap((of): LoosePiece[] => {
      const [joined, ...others] = hasStyle(of) ? mirrored(scene.edge(of), images) : []
      // Open lines that are joined with their images are one line.
      if (joined && others.length === 0 && images.length > 1) return [{ of, path: joined }]
      return images.map((map) => ({ of, map }))
    })
  },
  lost: null,
  any: ({ fc, members, place }) =>
    fc.record({
      at: place,
      angle: fc.constantFrom(0, 30, 90),
      folds: fc.integer({ min: 1, max: 4 }),
      flip: fc.boolean(),
      members: members(2),
    }),
})

/** Whether its only images are flipped across a level or plumb line. */
const isPlumb = ({ folds, flip, angle }: Pick<Mirror, 'folds' | 'flip' | 'angle'>): boolean =>
  flip && folds === 1 && angle % 90 === 0

/** What a member and its images stand for: closed outlines, those that close with their images among them, or ink. */
function mirroredSolid(member: Thing, images: readonly Transform[], scene: Scene): Path[] {
  const joined = mirrored(scene.edge(member), images)
  if (!member.by && !hasMembers(member) && !joined.every((path) => path.every(({ closed }) => closed)))
    return scene.shapes(member).flatMap((shape) => mirroredShapes(shape, images).flatMap(inkOf))
  return member.by === 'ink' || hasMembers(member)
    ? images.map((map) => transformPath(scene.solid(member), map))
    : joined
}

/** A shape with all its images; those with gradients each by itself, because their paint is turned along. */
function mirroredShapes(shape: Shape, images: readonly Transform[]): Shape[] {
  const { path, fill, stroke } = shape
  if (!(fill && 'kind' in fill) && !(stroke && 'kind' in stroke.paint))
    return mirrored(path, images).map((image) => ({ ...shape, path: image }))
  return images.map((map) => ({
    ...shape,
    path: transformPath(path, map),
    fill: fill && movedPaint(fill, map),
    stroke: stroke && { ...stroke, paint: movedPaint(stroke.paint, map) },
  }))
}
