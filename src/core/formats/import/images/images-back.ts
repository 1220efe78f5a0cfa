import { refusalIn } from '../../../drawing/evaluate/evaluate'
import type { DrawingObject } from '../../../drawing/model/object'
import { mirroredBack } from './mirrored'
import { scene } from './piece'
import { rowsBack } from './rows'
import { turnedBack } from './turned'

/**
 * A drawing whose objects are images of each other, as one of them and the images: equal ones in rows or turned about a
 * place become a repeat, and where half of it is the other half's mirror image, a mirror. Each image is compared with the
 * object that it stands for, within a distance; the order of painting is kept where it is seen.
 */
export const imagesBack = (objects: readonly DrawingObject[], within: number): readonly DrawingObject[] =>
  // What cannot be drawn cannot be compared.
  objects.some((object) => refusalIn(object, scene))
    ? objects
    : mirroredBack(turnedBack(rowsBack(objects, within), within), within)
