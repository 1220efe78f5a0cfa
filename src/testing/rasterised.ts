import { timed } from '../core/geometry/deadline'
import { type Picture, type Pixels, pixelsOf } from '../core/raster/raster'
import { readDocument } from './read-document'

/** Number of parsed documents in the cache: one document is drawn at many sizes. */
const MOST = 32

const pictures = new Map<string, Picture>()

/** A document of ours as so many pixels across. Throws where it cannot be drawn: `drawingProblem` says why. */
export const rasterised = (svg: string, width: number): Pixels => timed(() => pixelsOf(pictureOf(svg), width))

function pictureOf(svg: string): Picture {
  const picture = pictures.get(svg) ?? readDocument(svg)
  // The one that was wanted last is forgotten last.
  pictures.delete(svg)
  pictures.set(svg, picture)
  if (pictures.size > MOST) pictures.delete(pictures.keys().next().value!)
  return picture
}
