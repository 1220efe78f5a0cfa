import { type Box, boxUnion } from '../../geometry/box'
import { pathBounds } from '../../geometry/path'
import { costOf, isExcessive } from './cost'
import { outline } from './evaluate'
import type { Frame } from '../model/frame'
import { type DrawingObject, isContainer, isFramed, kindOf } from '../objects/object'
import { Refusal } from '../../findings/refusal'
import type { Scene } from '../scene/scene'

/**
 * The frame that an object's x, y, w, h and turn are read from: its own, the upright box around its nodes, or that of
 * its result. Strokes do not count.
 */
export function frameOf(object: DrawingObject, scene: Scene): Frame {
  // Of objects with countless images the first images count: the members themselves.
  if (isContainer(object) && isExcessive(costOf(object, scene.values)))
    return boxUnion(object.members.map((member) => extent(member, scene)))!
  const { frame } = kindOf(object).geometry
  if (frame) {
    try {
      return frame(object, scene)
    } catch (error) {
      // Where the result cannot be computed the members stand for it.
      if (!(error instanceof Refusal) || !isContainer(object)) throw error
      return boxUnion(object.members.map((member) => extent(member, scene)))!
    }
  }
  if (isFramed(object)) return object
  throw new Error(`Objects of the kind “${object.kind}” have no frame.`)
}

/** The upright box of an object's geometry, turn and slant included. */
export function extent(object: DrawingObject, scene: Scene): Box {
  const frame = frameOf(object, scene)
  if (!frame.turn && !frame.skew && !kindOf(object).geometry.isSmaller?.(object)) return frame
  return pathBounds(outline(object, scene)) ?? frame
}

/** The upright box around several objects; null around none. */
export function extentOf(objects: readonly DrawingObject[], scene: Scene): Box | null {
  return boxUnion(objects.map((object) => extent(object, scene)))
}
