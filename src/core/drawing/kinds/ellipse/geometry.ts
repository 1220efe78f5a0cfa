import { nodesOf } from '../../model/nodes'
import { drawnFrames } from '../drawn-frame'
import { ellipsePath } from './outline'
import type { Ellipse } from './schema'
import type { GeometryFacet } from '../facets/geometry'

export const isPart = ({ from, to }: Ellipse): boolean => from !== undefined && to !== undefined

const { frame, toFrame } = drawnFrames<Ellipse>(ellipsePath, (object) => object)

export const geometry: GeometryFacet<Ellipse> = {
  edge: ellipsePath,
  frame: (object, scene) => (isPart(object) ? frame(object, scene) : object),
  toFrame: (object, to, scene) => (isPart(object) ? toFrame(object, to, scene) : { ...object, ...to }),
  isSmaller: isPart,
  turnedOver: (object) =>
    object.from !== undefined && object.to !== undefined
      ? { ...object, from: upright(180 - object.to), to: upright(180 - object.from) }
      : object,
  nodes: (object) => ellipsePath(object).map((contour) => nodesOf(contour)),
  lost: 'its diameters and angles as numbers',
}

/** An angle in degrees between -180 and 360. */
const upright = (degrees: number): number => (degrees < -180 ? degrees + 360 : degrees > 360 ? degrees - 360 : degrees)
