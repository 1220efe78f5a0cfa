import { compose, type Transform } from '@/core/geometry/transform'
import { mismatch, type Mismatch } from '@/core/proof/mismatch'
import type { Picture } from '@/core/proof/picture'
import { pixelMap, type Reference } from '@/core/drawing/model/reference'
import type { Rules } from '@/core/rules/rules'
import type { DrawingObject } from '@/core/drawing/objects/object'
import { pictureOf } from '@/workers/pictures'
import { pixelsOf } from './pictures'

/** Pixels along the square in which icon and reference are laid over each other. */
const SIDE = 480

/**
 * How far the icon is from a reference of it, pixel by pixel within the square; null when the reference's picture is
 * not there.
 */
export async function comparison(
  objects: readonly DrawingObject[],
  rules: Rules,
  reference: Reference,
): Promise<Mismatch | null> {
  const { image } = await pictureOf({ objects, rules, ground: 'light' }, SIDE)
  const picture = await laidPicture(reference, rules.grid.size)
  return picture && image ? mismatch(image, picture) : null
}

/** A reference as it lies in the square, undimmed. */
async function laidPicture(reference: Reference, grid: number): Promise<Picture | null> {
  const pixels = await pixelsOf(reference.picture)
  if (!pixels) return null
  const bitmap = await createImageBitmap(new ImageData(new Uint8ClampedArray(pixels.data), pixels.width, pixels.height))
  const context = new OffscreenCanvas(SIDE, SIDE).getContext('2d', { willReadFrequently: true })!
  const scale: Transform = [SIDE / grid, 0, 0, SIDE / grid, 0, 0]
  context.setTransform(...compose(scale, pixelMap(reference)))
  const { x, y, w, h } = reference.crop ?? { x: 0, y: 0, ...reference.size }
  context.imageSmoothingQuality = 'high'
  context.drawImage(bitmap, x, y, w, h, x, y, w, h)
  bitmap.close()
  return context.getImageData(0, 0, SIDE, SIDE)
}
