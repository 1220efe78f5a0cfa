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

/**
 * From how many bytes on deflate gets the memory that it takes by itself, which costs more than it saves below; and looks
 * less far, which takes a fraction of the time and hardly more bytes.
 */
const MUCH = 1 << 15

/**
 * From which share of the pixels on the colours of a picture are so many that a palette, which costs four bytes for each,
 * makes it larger (measured: within a hundredth of what trying both comes to).
 */
const COLOURFUL = 0.06

/**
 * Pixels as a PNG file, without loss: by a palette where there are few colours, else RGBA.
 * The same pixels always give the same bytes, on any machine.
 */
export function png(pixels: Pixels): Uint8Array {
  const { width, height } = pixels,
    data = straightAlpha(pixels)
  return withPalette(data, width, height) ?? encode({ width, height, data, channels: 4, depth: 8 }, zlib(data.length))
}

const zlib = (bytes: number) => ({ zlib: bytes < MUCH ? ({ level: 6, mem: 2 } as const) : ({ level: 7 } as const) })

/** Pixels by a palette, the transparent colours first, so that the opaque ones need no alpha; null of too many colours. */
function withPalette(data: Uint8ClampedArray<ArrayBuffer>, width: number, height: number): Uint8Array | null {
  const words = new Uint32Array(data.buffer, data.byteOffset, width * height)
  const places = new Map<number, number>(),
    most = Math.min(256, COLOURFUL * width * height)
  let before = -1
  for (const word of words) {
    if (word === before || places.has(word)) continue
    if (places.size >= most) return null
    places.set((before = word), 0)
  }
  const bytesOf = (word: number) => [word & 255, (word >>> 8) & 255, (word >>> 16) & 255, word >>> 24]
  const palette = [...places.keys()]
    .map(bytesOf)
    .sort((a, b) => a[3]! - b[3]! || a[0]! - b[0]! || a[1]! - b[1]! || a[2]! - b[2]!)
  palette.forEach(([r, g, b, alpha], i) => places.set((r! | (g! << 8) | (b! << 16) | (alpha! << 24)) >>> 0, i))
  const depth = palette.length <= 2 ? 1 : palette.length <= 4 ? 2 : palette.length <= 16 ? 4 : 8
  const row = Math.ceil((width * depth) / 8),
    packed = new Uint8Array(row * height)
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const bit = x * depth
      packed[y * row + (bit >> 3)]! |= places.get(words[y * width + x]!)! << (8 - depth - (bit & 7))
    }
  return encode({ width, height, data: packed, channels: 1, depth, palette }, zlib(packed.length))
}
