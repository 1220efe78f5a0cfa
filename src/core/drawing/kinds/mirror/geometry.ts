import { boxUnion } from '../../../geometry/box'
import { type Path, transformPath } from '../../../geometry/path'
import { tidy } from '../../../geometry/tidy'
import type { Transform } from '../../../geometry/transform'
import { inkOf } from '../../scene/ink'
import { movedPaint } from '../../scene/moved-paint'
import type { Scene } from '../../scene/scene'
import type { Shape } from '../../scene/shape'
import type { LoosePiece } from '../facets/geometry'
import { visible } from '../members'
import { together, united } from '../together'
import { hasMembers, hasStyle, type Thing } from '../../model/traits'
import { imagesOf, mirrored, movedAxis } from './images'
import type { Mirror } from './schema'
import type { GeometryFacet } from '../facets/geometry'

export const geometry: GeometryFacet<Mirror> = {
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
}

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
