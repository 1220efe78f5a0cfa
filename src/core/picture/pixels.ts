import type { Box } from '../geometry/box'
import { timed } from '../geometry/deadline'
import { type Pixels, pixelsOf } from '../raster/raster'
import { type Picture, stated } from './picture'
import { rasterItems } from './raster-items'

const statedBox = ({ x, y, w, h }: Box): Box => ({ x: stated(x), y: stated(y), w: stated(w), h: stated(h) })

/** A picture as so many pixels across. Throws where it cannot be drawn: `drawingProblem` says why. */
export const picturePixels = (picture: Picture, width: number): Pixels =>
  timed(() => pixelsOf({ box: statedBox(picture.box), items: rasterItems(picture) }, width))
