import { pictureOfSvg } from '../core/formats/import/picture-of-svg'
import { picturePixels } from '../core/picture/pixels'
import type { Pixels } from '../core/raster/raster'
import { startForeignRasteriser } from '../server/renderer/foreign-drawing'

/** How many pixels across documents are compared at, and how far apart they may be: mean of all channels, of 255. */
const SIDE = 96,
  FAR = 2

/**
 * Returns a proof for delivered SVG files: a file is read back with the reader of foreign SVG, drawn, and compared with what
 * another rasteriser draws of it. The proof returns a sentence for a file that differs, else null.
 */
export async function startProof(): Promise<(path: string, bytes: Uint8Array) => string | null> {
  const rasterise = await startForeignRasteriser()
  return (path, bytes) => {
    const other = rasterise(bytes, SIDE)
    // A template for another program is not the picture of an icon, nor is a sprite, which shows nothing by itself.
    if (other.width !== other.height || other.data.every((value) => value === 0)) return null
    const picture = pictureOfSvg(new TextDecoder().decode(bytes), 'current')
    if (!picture) return `${path} cannot be read back.`
    const own = picturePixels(picture, SIDE)
    const far = meanDifference(own, other)
    return far <= FAR ? null : `${path} differs by ${far.toFixed(1)} of 255 when it is read back.`
  }
}

/** The mean difference of two pictures’ channels, premultiplied by opacity, of 255. */
function meanDifference(own: Pixels, other: Pixels): number {
  let sum = 0
  for (let i = 0; i < own.data.length; i += 4) {
    const a = own.data[i + 3]! / 255,
      b = other.data[i + 3]! / 255
    sum += Math.abs(own.data[i + 3]! - other.data[i + 3]!)
    for (let k = 0; k < 3; k++) sum += Math.abs(own.data[i + k]! * a - other.data[i + k]! * b)
  }
  return sum / own.data.length
}
