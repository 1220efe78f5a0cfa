import type { Picture } from '../../../core/picture/picture'
import { pdfOf } from '../pdf'
import { drawPicture } from '../pdf-picture'

/** A picture as a page of vectors, one unit to a point. */
export function pdf(picture: Picture): Promise<Uint8Array> {
  const { w, h } = picture.box
  return pdfOf({ size: [w, h], info: { Producer: 'Wise Square', Creator: 'Wise Square' } }, (doc) =>
    drawPicture(doc, picture, 0, 0, w),
  )
}
