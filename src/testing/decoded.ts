import { convertIndexedToRgb, decode } from 'fast-png'

/** Straight pixels of a square or other picture: rows of R, G, B, A bytes. */
export type Decoded = { readonly width: number; readonly height: number; readonly data: Uint8Array }

/** A PNG file as straight RGBA, whichever of the format’s ways it is written in. */
export function decoded(bytes: Uint8Array): Decoded {
  const png = decode(bytes),
    { width, height } = png
  const from = png.palette ? convertIndexedToRgb(png) : png.data,
    channels = from.length / (width * height),
    deep = png.depth === 16 ? 257 : 1
  const data = new Uint8Array(4 * width * height)
  for (let i = 0; i < width * height; i++) {
    const own = [...from.slice(i * channels, (i + 1) * channels)].map((value) => Math.round(value / deep))
    const grey = channels < 3
    data.set([own[0]!, own[grey ? 0 : 1]!, own[grey ? 0 : 2]!, channels % 2 === 0 ? own[channels - 1]! : 255], 4 * i)
  }
  return { width, height, data }
}
