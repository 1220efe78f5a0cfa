import { boxUnion } from '../../../geometry/box'
import { type Path, pathBounds } from '../../../geometry/path'
import { dot, type Point, unit } from '../../../geometry/point'
import { tidy } from '../../../geometry/tidy'
import { apply } from '../../../geometry/transform'
import { swept, vectorOf } from '../../../outline/sweep'
import { combine } from '../../../planar/boolean'
import { withOpacity } from '../../model/resolved'
import type { Scene } from '../../scene/scene'
import type { Shape } from '../../scene/shape'
import { visible } from '../members'
import { movedPlacing } from '../placement/placed'
import { laidPlate } from '../plate/laid'
import { united } from '../together'
import type { Cast } from './schema'
import type { GeometryFacet } from '../facets/geometry'

export const geometry: GeometryFacet<Cast> = {
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
  lost: null,
}

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
