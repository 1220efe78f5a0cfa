/** Pixels as rows of R, G, B, A bytes with premultiplied alpha, from the top left. */
export type Pixels = { readonly width: number; readonly height: number; readonly data: Uint8Array | Uint8ClampedArray }

/** The same pixels with straight alpha, as PNG and the canvas want them. */
export function straightAlpha(data: Pixels['data']): Uint8ClampedArray<ArrayBuffer> {
  const out = new Uint8ClampedArray(data.length)
  for (let i = 0; i < data.length; i += 4) {
    const alpha = data[i + 3]!
    out[i + 3] = alpha
    if (alpha === 0) continue
    for (let k = i; k < i + 3; k++) out[k] = alpha === 255 ? data[k]! : Math.round((data[k]! * 255) / alpha)
  }
  return out
}
