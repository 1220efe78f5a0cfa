import { boxUnion } from '../../../geometry/box'
import { type Path, transformPath } from '../../../geometry/path'
import { applyTidy, tidy } from '../../../geometry/tidy'
import type { Transform } from '../../../geometry/transform'
import { combine } from '../../../planar/boolean'
import { isMirroring } from '../../model/frame'
import type { NodeRun } from '../../model/node'
import { transformNode } from '../../model/node-transform'
import { paintOf } from '../../scene/resolve'
import { movedPaint } from '../../scene/moved-paint'
import type { Scene } from '../../scene/scene'
import type { Shape } from '../../scene/shape'
import { visible } from '../members'
import { together } from '../together'
import { placesOf } from './places'
import { type Copy, type Repeat } from './schema'
import type { GeometryFacet } from '../facets/geometry'

export const geometry: GeometryFacet<Repeat> = {
  edge: (object, scene) =>
    together(shown(object).flatMap(({ map }) => paths(object, map, (member) => scene.edge(member)))),
  operand: (object, scene) =>
    combine(
      shown(object).flatMap(({ map, copy }) =>
        paths(object, map, (member) => scene.solid(member)).map((path) => ({ path, role: copy?.role ?? 'adds' })),
      ),
    ),
  shapes(object, scene) {
    const shapes = object.members.flatMap((member) => scene.shapes(member))
    return shown(object).flatMap(({ map, copy }) => shapes.map((shape) => copied(shape, map, copy, scene)))
  },
  frame: (object, scene) =>
    boxUnion(
      (shown(object).length > 0 ? shown(object) : [{ map: placesOf(object)[0] }]).flatMap(({ map }) =>
        object.members.map((member) => scene.box(member, map)),
      ),
    )!,
  // Along a straight line and in a lattice copies stay where they are shared out, however it is scaled.
  isEven: ({ course }) =>
    course.by === 'turn' || (course.by === 'path' && (course.turned === true || !isStraight(course.run))),
  transform: (object, map) => ({ ...object, from: applyTidy(map, object.from), course: movedCourse(object, map) }),
  nodes: ({ course }) => (course.by === 'path' ? [course.run] : []),
  fold: (object, [run, ...more]) =>
    object.course.by === 'path' && run && more.length === 0
      ? { ...object, course: { ...object.course, run: run as never } }
      : null,
  loose: (object) => shown(object).flatMap(({ map }) => object.members.map((of) => ({ of, map }))),
  lost: null,
}

const isStraight = ({ nodes }: NodeRun): boolean =>
  nodes.length === 2 && !nodes[0]!.out && !nodes[0]!.arc && !nodes[1]!.in

type PlacedCopy = { readonly map: Transform; readonly copy: Copy | undefined }

/** The copies that are not switched off. */
function shown(object: Repeat): PlacedCopy[] {
  const own = new Map(object.copies?.map((copy) => [copy.at, copy]))
  return placesOf(object).flatMap((map, i): PlacedCopy[] => (own.get(i)?.off ? [] : [{ map, copy: own.get(i) }]))
}

const paths = (object: Repeat, map: Transform, of: (member: Repeat['members'][number]) => Path): Path[] =>
  visible(object.members).map((member) => transformPath(of(member), map))

/** A shape where a copy has it, in the paints that the copy has of its own. */
function copied(shape: Shape, map: Transform, copy: Copy | undefined, scene: Scene): Shape {
  const { path, fill, stroke } = shape
  const own = (paint: Copy['fill']) => (paint === undefined ? null : paintOf(paint, scene))
  return {
    ...shape,
    path: transformPath(path, map),
    fill: fill && (own(copy?.fill) ?? movedPaint(fill, map)),
    stroke: stroke && { ...stroke, paint: own(copy?.stroke) ?? movedPaint(stroke.paint, map) },
  }
}

function movedCourse({ course }: Repeat, map: Transform): Repeat['course'] {
  const linear: Transform = [map[0], map[1], map[2], map[3], 0, 0]
  switch (course.by) {
    case 'turn':
      return {
        ...course,
        at: applyTidy(map, course.at),
        angle: isMirroring(map) ? -course.angle : course.angle,
      }
    case 'path': {
      const scale = tidy(Math.sqrt(Math.abs(map[0] * map[3] - map[1] * map[2])))
      return {
        ...course,
        run: { ...course.run, nodes: course.run.nodes.map((node) => transformNode(node, map)) },
        ...(course.distance !== undefined && { distance: course.distance * scale || course.distance }),
      }
    }
    case 'lattice':
      return { ...course, across: applyTidy(linear, course.across), down: applyTidy(linear, course.down) }
  }
}
