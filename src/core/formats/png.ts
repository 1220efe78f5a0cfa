import CRC32 from 'crc-32'
import { zlibSync } from 'fflate'
import type { Pixels } from '../raster/raster'
import { filteredLines } from './png-filter'

/**
 * A palette is tried where the share of differing colours is below the first number, with the second as its largest
 * size; beyond it four bytes for each entry make the file larger.
 */
const COLOURFUL = 0.15,
  MOST = 256

/**
 * Level of deflate, 1 to 9; lower for large pictures, where a higher one saves a fiftieth of the bytes in nearly twice
 * the time.
 */
const LEVEL = 6,
  LEVEL_OF_LARGE = 4

/** From so many bytes on pictures are large. */
const LARGE = 2 ** 19

/** Up to this many bytes deflate gets little memory: clearing more would take longer than the compression. */
const SMALL = 2 ** 16

const deflated = (bytes: Uint8Array): Uint8Array =>
  zlibSync(bytes, { level: bytes.length < LARGE ? LEVEL : LEVEL_OF_LARGE, ...(bytes.length <= SMALL && { mem: 2 }) })

/** Colour types (PNG, third edition, §11.2.1). */
const TRUECOLOUR = 2,
  INDEXED = 3,
  WITH_ALPHA = 6

/**
 * Writes pixels as a PNG file, without loss: with a palette for few colours, else as RGB or RGBA, with filters where
 * colours vary. Opaque pictures have no alpha channel, which app stores refuse. '32 bits' never uses a palette.
 * Deterministic.
 */
export function png(pixels: Pixels, colours: 'fewest bytes' | '32 bits' = 'fewest bytes'): Uint8Array {
  const { width, height } = pixels,
    indexed = colours === '32 bits' ? null : indices(pixels)
  if (!indexed) {
    const isOpaque = colours !== '32 bits' && isAllOpaque(pixels)
    const [bytes, step] = isOpaque ? [withoutAlpha(pixels.data), 3] : [pixels.data, 4]
    const all = isSmooth(pixels) ? filteredLines(bytes, height, step) : lines(bytes, height)
    return file(width, height, 8, isOpaque ? TRUECOLOUR : WITH_ALPHA, [['IDAT', deflated(all)]])
  }
  const { colours: listed, alphas, places } = palette(indexed.colours),
    count = places.length,
    depth = count <= 2 ? 1 : count <= 4 ? 2 : count <= 16 ? 4 : 8
  const at = indexed.at
  for (let i = 0; i < at.length; i++) at[i] = places[at[i]!]!
  return file(width, height, depth, INDEXED, [
    ['PLTE', listed],
    ...(alphas.length > 0 ? [['tRNS', alphas] as const] : []),
    ['IDAT', deflated(lines(packed(at, width, depth), height))],
  ])
}

/** The share of pixels that differ from the one before them, from which filters save more than they cost. */
const SMOOTH = 0.2

function isSmooth({ width, height, data }: Pixels): boolean {
  const words = wordsOf(data, width * height)
  let changes = 0
  for (let i = 1; i < words.length; i++) if (words[i] !== words[i - 1]) changes++
  return changes > SMOOTH * words.length
}

function isAllOpaque({ data }: Pixels): boolean {
  for (let i = 3; i < data.length; i += 4) if (data[i] !== 255) return false
  return true
}

function withoutAlpha(data: Pixels['data']): Uint8Array {
  const out = new Uint8Array((data.length / 4) * 3)
  for (let from = 0, to = 0; from < data.length; from += 4, to += 3) {
    out[to] = data[from]!
    out[to + 1] = data[from + 1]!
    out[to + 2] = data[from + 2]!
  }
  return out
}

/** Pixels as words of four bytes. */
const wordsOf = (data: Pixels['data'], count: number): Uint32Array =>
  data.byteOffset % 4 === 0
    ? new Uint32Array(data.buffer, data.byteOffset, count)
    : new Uint32Array(data.slice(0, count * 4).buffer)

/** Which colour each pixel has, and the colours as words of four bytes. */
type Indices = { readonly at: Uint8Array; readonly colours: Uint32Array }

/** The colours of pixels in the order they come in; null where they are too many for a palette. */
function indices({ width, height, data }: Pixels): Indices | null {
  const count = width * height,
    words = wordsOf(data, count)
  const most = Math.min(MOST, Math.max(1, Math.floor(COLOURFUL * count)))
  // Hash table with open addressing, four times as large as its content.
  const slots = new Int16Array(4 * MOST).fill(-1),
    colours = new Uint32Array(most),
    at = new Uint8Array(count)
  let found = 0
  for (let i = 0; i < count; i++) {
    const word = words[i]!
    let slot = Math.imul(word, 0x9e3779b1) >>> 22
    while (slots[slot]! >= 0 && colours[slots[slot]!] !== word) slot = (slot + 1) & (4 * MOST - 1)
    if (slots[slot]! < 0) {
      if (found === most) return null
      colours[found] = word
      slots[slot] = found++
    }
    at[i] = slots[slot]!
  }
  return { at, colours: colours.subarray(0, found) }
}

/** Colours as a palette has them, those that are not opaque first, so that only they need alpha; and where each went. */
type Palette = { readonly colours: Uint8Array; readonly alphas: Uint8Array; readonly places: Uint8Array }

function palette(words: Uint32Array): Palette {
  const straight = new Uint8Array(words.slice().buffer),
    count = words.length,
    ranks = new Float64Array(count)
  let opaque = 0
  for (let i = 0; i < count; i++) {
    const at = 4 * i,
      alpha = straight[at + 3]!
    ranks[i] = ((alpha * 256 + straight[at]!) * 256 + straight[at + 1]!) * 256 + straight[at + 2]!
    if (alpha === 255) opaque++
  }
  const order = [...ranks.keys()].sort((a, b) => ranks[a]! - ranks[b]!)
  const places = new Uint8Array(count),
    colours = new Uint8Array(3 * count),
    alphas = new Uint8Array(count - opaque)
  for (let place = 0; place < count; place++) {
    const i = order[place]!
    places[i] = place
    for (let k = 0; k < 3; k++) colours[3 * place + k] = straight[4 * i + k]!
    if (place < alphas.length) alphas[place] = straight[4 * i + 3]!
  }
  return { colours, alphas, places }
}

/** Indices as lines of so many bits each, the first in the highest bits; lines end with a whole byte. */
function packed(at: Uint8Array, width: number, depth: number): Uint8Array {
  if (depth === 8) return at
  const row = Math.ceil((width * depth) / 8),
    out = new Uint8Array((row * at.length) / width)
  for (let i = 0; i < at.length; i++) {
    const bit = (i % width) * depth
    out[Math.floor(i / width) * row + (bit >> 3)]! |= at[i]! << (8 - depth - (bit & 7))
  }
  return out
}

/** Lines of bytes, each after a byte that says that it is not filtered. */
function lines(bytes: Uint8Array | Uint8ClampedArray, height: number): Uint8Array {
  const row = bytes.length / height,
    out = new Uint8Array(bytes.length + height)
  for (let y = 0; y < height; y++) out.set(bytes.subarray(y * row, (y + 1) * row), y * (row + 1) + 1)
  return out
}

const SIGNATURE = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]

type Chunk = readonly [type: string, bytes: Uint8Array]

/** A PNG file of some chunks, its header and end added. */
function file(width: number, height: number, depth: number, colour: number, chunks: readonly Chunk[]): Uint8Array {
  const header = new Uint8Array(13),
    view = new DataView(header.buffer)
  view.setUint32(0, width)
  view.setUint32(4, height)
  header[8] = depth
  header[9] = colour
  const all: Chunk[] = [['IHDR', header], ...chunks, ['IEND', new Uint8Array()]]
  const out = new Uint8Array(all.reduce((sum, [, bytes]) => sum + bytes.length + 12, SIGNATURE.length)),
    to = new DataView(out.buffer)
  out.set(SIGNATURE)
  let place = SIGNATURE.length
  for (const [type, bytes] of all) {
    to.setUint32(place, bytes.length)
    for (let k = 0; k < 4; k++) out[place + 4 + k] = type.charCodeAt(k)
    out.set(bytes, place + 8)
    const end = place + 8 + bytes.length
    to.setInt32(end, CRC32.buf(out.subarray(place + 4, end)))
    place = end + 4
  }
  return out
}
