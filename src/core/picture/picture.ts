import type { Shape } from '../drawing/scene/shape'
import type { Box } from '../geometry/box'
import type { Path } from '../geometry/path'
import type { Transform } from '../geometry/transform'
import { rounded } from '../formats/number'
import { PRECISION } from '../formats/path-data'

/** Which colours are written: the delivered file's (`currentColor` for ink), or those for a light or a dark ground. */
export type Ground = 'current' | 'light' | 'dark'

/** Shapes moved by `map`. Shadows and masks are computed within the square from the origin with the side `size`. */
export type Layer = { readonly shapes: readonly Shape[]; readonly size: number; readonly map?: Transform }

/**
 * A picture of resolved shapes: a box of layers over each other, clipped by an outline if one is given, in the colours for
 * a ground. `svg.ts` writes it as a document, `raster-items.ts` prepares it for pixels; both use the numbers that a file
 * states (`precise.ts`).
 */
export type Picture = {
  readonly box: Box
  readonly layers: readonly Layer[]
  readonly ground: Ground
  readonly clip?: Path | undefined
}

/** The picture of one drawing on a grid of `size` units. */
export const pictureOf = (shapes: readonly Shape[], size: number, ground: Ground): Picture => ({
  box: { x: 0, y: 0, w: size, h: size },
  layers: [{ shapes, size }],
  ground,
})

/** A number as files state it. */
export const stated = (value: number): number => rounded(value, PRECISION)

/** The square picture of a drawing, scaled to another side. */
export function resized(picture: Picture, side: number): Picture {
  const { w } = picture.box
  if (w === side) return picture
  const by = stated(side / w)
  return {
    ...picture,
    box: { x: 0, y: 0, w: side, h: side },
    layers: picture.layers.map((layer) => ({ ...layer, map: [by, 0, 0, by, 0, 0] })),
  }
}

/** The mirror image of a drawing's picture, left and right exchanged. */
export function inMirror(picture: Picture): Picture {
  const { x, w } = picture.box
  return { ...picture, layers: picture.layers.map((layer) => ({ ...layer, map: [-1, 0, 0, 1, stated(2 * x + w), 0] })) }
}
