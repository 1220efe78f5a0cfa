import { lightness, type Picture } from './picture'

/**
 * How far two pictures of one size are from each other, on white: `mean` of the differences over all pixels, and
 * `ofInk`, the sum of the differences over what either has drawn; 0 to 1. `picture` shows where: what only the first
 * has in one colour, only the second in another, what both have in a third.
 */
export type Mismatch = { readonly mean: number; readonly ofInk: number; readonly picture: Picture }

/** Red, green, blue of what only the icon has, only the reference, both. */
const ONLY_FIRST = [213, 64, 27],
  ONLY_SECOND = [17, 128, 127],
  BOTH = [85, 100, 95]

export function mismatch(a: Picture, b: Picture): Mismatch {
  const count = a.width * a.height
  const data = new Uint8ClampedArray(4 * count)
  let differs = 0,
    drawn = 0
  for (let i = 0; i < count; i++) {
    const p = 255 - lightness(a, i),
      q = 255 - lightness(b, i)
    const difference = Math.abs(p - q),
      ink = Math.max(p, q)
    differs += difference
    drawn += ink
    const [r, g, blue] = difference < 0.25 * ink ? BOTH : p > q ? ONLY_FIRST : ONLY_SECOND
    data.set([r!, g!, blue!, difference < 0.25 * ink ? 0.35 * ink : Math.min(255, 64 + difference)], 4 * i)
    if (ink < 8) data[4 * i + 3] = 0
  }
  return {
    mean: differs / (255 * count),
    ofInk: drawn === 0 ? 0 : differs / drawn,
    picture: { width: a.width, height: a.height, data },
  }
}
