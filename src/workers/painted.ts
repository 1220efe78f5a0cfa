import { png } from '../core/formats/png'
import type { Pixels } from '../core/raster/raster'

/**
 * A picture as so many pixels across: straight-alpha bytes in rows of R, G, B, A, and a PNG file of them as a data URL
 * (RFC 2397). Hundreds of images share a layer of the page, where each canvas would have one of its own.
 */
export type Painted = { readonly data: Uint8ClampedArray<ArrayBuffer>; readonly url: string }

/** Encodes pixels for the page. */
export function painted(pixels: Pixels): Painted {
  return { data: pixels.data, url: `data:image/png;base64,${base64(png(pixels))}` }
}

/** So many bytes go through one call: more arguments would be too many. */
const AT_ONCE = 2 ** 13

function base64(bytes: Uint8Array): string {
  let text = ''
  for (let i = 0; i < bytes.length; i += AT_ONCE) text += String.fromCharCode(...bytes.subarray(i, i + AT_ONCE))
  return btoa(text)
}
