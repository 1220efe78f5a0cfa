import { encode } from 'fast-png'

/** Pixels as rows of R, G, B, A bytes with premultiplied alpha, from the top left. */
export type Pixels = { readonly width: number; readonly height: number; readonly data: Uint8Array | Uint8ClampedArray }

/** The same pixels with straight alpha, as PNG and the canvas want them. */
export function straightAlpha({ data }: Pixels): Uint8ClampedArray<ArrayBuffer> {
  const out = new Uint8ClampedArray(data.length)
  for (let i = 0; i < data.length; i += 4) {
    const alpha = data[i + 3]!
    out[i + 3] = alpha
    if (alpha === 0) continue
    for (let k = i; k < i + 3; k++) out[k] = alpha === 255 ? data[k]! : Math.round((data[k]! * 255) / alpha)
  }
  return out
}

/** Pixels as a PNG file (RGBA, 8 bits). The same pixels always give the same bytes. */
export function png(pixels: Pixels): Uint8Array {
  const { width, height } = pixels
  return encode({ width, height, data: straightAlpha(pixels), channels: 4, depth: 8 }, { zlib: { level: 9 } })
}
