import { refusalIn } from '../../../drawing/evaluate/evaluate'
import type { DrawingObject } from '../../../drawing/objects/object'
import { mirroredBack } from './mirrored'
import { scene } from './piece'
import { rowsBack } from './rows'
import { turnedBack } from './turned'

/**
 * Finds copies in a drawing: equal objects in rows or around a centre become a repeat, mirrored halves become a mirror.
 * Each copy is compared with its original, within a distance; the painting order is kept where it is visible.
 */
export const imagesBack = (objects: readonly DrawingObject[], within: number): readonly DrawingObject[] =>
  // What cannot be drawn cannot be compared.
  objects.some((object) => refusalIn(object, scene))
    ? objects
    : mirroredBack(turnedBack(rowsBack(objects, within), within), within)
