import { convertIndexedToRgb, decode } from 'fast-png'

/** Straight pixels of a square or other picture: rows of R, G, B, A bytes. */
export type Decoded = { readonly width: number; readonly height: number; readonly data: Uint8Array }

/** A PNG file as straight RGBA, whichever of the format’s ways it is written in. */
export function decoded(bytes: Uint8Array): Decoded {
  const png = decode(bytes),
    { width, height } = png
  const from = png.palette ? convertIndexedToRgb(png) : png.data,
    channels = from.length / (width * height),
    deep = png.depth === 16 ? 257 : 1,
    // Offsets of green and blue in a pixel: 0 in a grey one.
    [green, blue] = channels < 3 ? [0, 0] : [1, 2],
    hasAlpha = channels % 2 === 0
  const data = new Uint8Array(4 * width * height)
  for (let i = 0, at = 0; i < data.length; i += 4, at += channels) {
    data[i] = Math.round(from[at]! / deep)
    data[i + 1] = Math.round(from[at + green]! / deep)
    data[i + 2] = Math.round(from[at + blue]! / deep)
    data[i + 3] = hasAlpha ? Math.round(from[at + channels - 1]! / deep) : 255
  }
  return { width, height, data }
}
