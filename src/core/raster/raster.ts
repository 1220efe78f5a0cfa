import { keepTime, OutOfTime } from '../geometry/deadline'
import type { Box } from '../geometry/box'
import { blurredAlpha, reachOfBlur } from './blur'
import type { Premultiplied } from './colours'
import { type Group, hasShadow, type Item, type Shadow } from './items'
import { dim, emptyLayer, type Layer, layOver, regionLayer } from './layer'
import type { View } from './lines'
import { type Regions, regionsOf } from './regions'
import { eachCover, onlyColour } from './one-colour'
import { eachRow } from './rows'

/** A picture: its items, and the box that is seen of it. */
export type Picture = { readonly box: Box; readonly items: readonly Item[] }

/** Pixels as rows of R, G, B, A bytes with straight alpha, from the top left. */
export type Pixels = { readonly width: number; readonly height: number; readonly data: Uint8ClampedArray<ArrayBuffer> }

/** The largest number of pixels of layers held at a time, so that large pictures take little memory. */
const BAND = 2 ** 19

/**
 * Rasterises a picture to so many pixels across by exact area coverage. Each pixel is the mean colour of its area,
 * rounded once at the end, so an area of one colour has exactly that colour. Throws as arrangements do, and
 * `OutOfTime`.
 */
export function pixelsOf({ box, items }: Picture, width: number): Pixels {
  const scale = width / box.w,
    height = Math.max(1, Math.round(box.h * scale))
  const data = new Uint8ClampedArray(4 * width * height),
    words = new Uint32Array(data.buffer)
  const regions = items.length === 0 || hasShadow(items) ? null : knownRegions(items)
  const only = regions && onlyColour(regions)
  if (only) {
    oneColour(words, regions.edges, { scale, x: box.x, y: box.y }, width, height, only)
    return { width, height, data }
  }
  if (regions) {
    eachRow(regions, { scale, x: box.x, y: box.y }, width, height, (row, colours, changed) => {
      let word = 0
      for (let x = 0; x < width; x++) {
        if (changed[x]) word = wordOf(colours[4 * x]!, colours[4 * x + 1]!, colours[4 * x + 2]!, colours[4 * x + 3]!)
        words[row * width + x] = word
      }
    })
    return { width, height, data }
  }
  const rows = Math.max(1, Math.min(height, Math.floor(BAND / width)))
  for (let top = 0; top < height; top += rows) {
    keepTime()
    const window = { view: { scale, x: box.x, y: box.y + top / scale }, width, height: Math.min(rows, height - top) }
    const { data: from } = layerOf(items, window)
    for (let i = 0; i < width * window.height; i++)
      words[top * width + i] = wordOf(from[4 * i]!, from[4 * i + 1]!, from[4 * i + 2]!, from[4 * i + 3]!)
  }
  return { width, height, data }
}

/** A stretch of pixels and where in the picture it lies. */
type Window = { readonly view: View; readonly width: number; readonly height: number }

/** Added before rounding, so that a half rounds up whichever side of it the sum came out on. */
const HALF = 0.5 + 1e-4

/** Whether the first byte of a word is its lowest. */
const IS_LITTLE = new Uint8Array(new Uint32Array([1]).buffer)[0] === 1

/** A premultiplied colour as the four bytes of a pixel with straight alpha. */
function wordOf(r: number, g: number, b: number, a: number): number {
  const alpha = Math.min(255, Math.floor(a * 255 + HALF))
  if (alpha <= 0) return 0
  const k = 255 / a
  const red = byteOf(r * k),
    green = byteOf(g * k),
    blue = byteOf(b * k)
  return IS_LITTLE
    ? (alpha << 24) | (blue << 16) | (green << 8) | red
    : (red << 24) | (green << 16) | (blue << 8) | alpha
}

/** Fills in the pixels of a picture in one colour. */
function oneColour(
  words: Uint32Array,
  edges: Regions['edges'],
  view: View,
  width: number,
  height: number,
  [r, g, b, a]: Readonly<Premultiplied>,
): void {
  // A partly covered pixel has the colour of full coverage, at that opacity.
  const whole = wordOf(r / a, g / a, b / a, 1),
    bare = IS_LITTLE ? whole & 0xffffff : whole & ~0xff,
    shift = IS_LITTLE ? 24 : 0
  eachCover(edges, view, width, height, (row, cover, at) => {
    let sum = 0,
      now = 0
    for (let x = 0, i = row * width; x < width; x++, i++) {
      const change = cover[at + x]!
      if (change !== 0) {
        sum += change
        const alpha = Math.min(255, Math.floor(sum * a * 255 + HALF))
        now = alpha <= 0 ? 0 : bare | (alpha << shift)
      }
      words[i] = now
    }
  })
}

const byteOf = (value: number): number => Math.min(255, Math.max(0, Math.floor(value + HALF)))

function layerOf(items: readonly Item[], window: Window): Layer {
  const { view, width, height } = window
  if (items.length === 0) return emptyLayer(width, height)
  if (!hasShadow(items)) {
    const regions = knownRegions(items)
    if (regions) return regionLayer(regions, view, width, height)
  }
  const [only, ...more] = items
  if (more.length === 0 && only!.kind === 'group') return groupLayer(only!, window)
  // What has no shadow and follows each other is drawn as one.
  const layer = emptyLayer(width, height)
  for (const run of runsOf(items)) layOver(layer, layerOf(run, window))
  return layer
}

const knownRuns = new WeakMap<readonly Item[], (readonly Item[])[]>()

/** Items in stretches, remembered for them: those without a shadow together where they can be, each other by itself. */
function runsOf(items: readonly Item[]): (readonly Item[])[] {
  const known = knownRuns.get(items)
  if (known) return known
  const runs: Item[][] = []
  let isOpen = false
  for (const item of items) {
    const isPlain = !hasShadow([item])
    if (isPlain && isOpen) runs.at(-1)!.push(item)
    else runs.push([item])
    isOpen = isPlain
  }
  // Areas that cannot be arranged together are painted over each other one by one.
  const made = runs.length === 1 && items.length > 1 ? items.map((item) => [item]) : runs
  knownRuns.set(items, made)
  return made
}

function groupLayer({ items, opacity, mask, shadow }: Group, window: Window): Layer {
  const own = layerOf(items, window)
  const layer = shadow ? shadowLayer(items, shadow, window) : own
  if (shadow) layOver(layer, own)
  if (opacity < 1) dim(layer, opacity)
  if (mask) dim(layer, layerOf(mask, window))
  return layer
}

/** The shadow of items: their shape, moved, blurred, in the colour of the shadow. */
function shadowLayer(items: readonly Item[], { x, y, deviation, colour }: Shadow, window: Window): Layer {
  const { view, width, height } = window
  const blur = deviation * view.scale,
    around = reachOfBlur(blur)
  const wider = width + 2 * around
  const source = layerOf(items, {
    view: { scale: view.scale, x: view.x - x - around / view.scale, y: view.y - y - around / view.scale },
    width: wider,
    height: height + 2 * around,
  })
  const alpha = blurredAlpha(source, blur)
  const layer = emptyLayer(width, height)
  const [r, g, b, a] = colour
  for (let row = 0; row < height; row++)
    for (let column = 0; column < width; column++) {
      const k = a * alpha[(row + around) * wider + column + around]!,
        i = 4 * (row * width + column)
      layer.data[i] = k * r
      layer.data[i + 1] = k * g
      layer.data[i + 2] = k * b
      layer.data[i + 3] = k
    }
  return layer
}

const regions = new WeakMap<readonly Item[], Regions | null>()

/** The regions of items, remembered for them; null where their areas cannot be laid out over each other together. */
function knownRegions(items: readonly Item[]): Regions | null {
  let known = regions.get(items)
  if (known === undefined) {
    try {
      known = regionsOf(items)
    } catch (error) {
      if (error instanceof OutOfTime || (items.length === 1 && items[0]!.kind === 'area')) throw error
      known = null
    }
    regions.set(items, known)
  }
  return known
}
