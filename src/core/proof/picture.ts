import type { Point } from '../geometry/point'

/** A picture as rows of red, green, blue and opacity, a byte each, not premultiplied. */
export type Picture = { readonly width: number; readonly height: number; readonly data: Uint8ClampedArray | Uint8Array }

/** A colour as `#rrggbb`. */
export const hex = (r: number, g: number, b: number): string =>
  `#${[r, g, b].map((value) => Math.round(value).toString(16).padStart(2, '0')).join('')}`

/** Average colour of a square of pixels, weighted by opacity; null if they are transparent. */
export function sampled({ width, height, data }: Picture, { x, y }: Point, side: number): string | null {
  const reach = (side - 1) / 2,
    cx = Math.floor(x),
    cy = Math.floor(y)
  let r = 0,
    g = 0,
    b = 0,
    weight = 0
  for (let row = Math.max(0, Math.ceil(cy - reach)); row <= Math.min(height - 1, cy + reach); row++) {
    for (let column = Math.max(0, Math.ceil(cx - reach)); column <= Math.min(width - 1, cx + reach); column++) {
      const i = 4 * (row * width + column),
        a = data[i + 3]!
      r += data[i]! * a
      g += data[i + 1]! * a
      b += data[i + 2]! * a
      weight += a
    }
  }
  return weight === 0 ? null : hex(r / weight, g / weight, b / weight)
}

/** How light a pixel is on white, 0 to 255 (the luma of ITU-R BT.709). */
export function lightness({ data }: Picture, i: number): number {
  const a = data[4 * i + 3]! / 255
  const luma = 0.2126 * data[4 * i]! + 0.7152 * data[4 * i + 1]! + 0.0722 * data[4 * i + 2]!
  return luma * a + 255 * (1 - a)
}
