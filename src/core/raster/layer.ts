import type { View } from './lines'
import type { Regions } from './regions'
import { eachRow } from './rows'

/** Some rows of a picture. Each pixel has four numbers 0 to 1: premultiplied red, green and blue, and alpha. */
export type Layer = { readonly width: number; readonly height: number; readonly data: Float32Array }

export const emptyLayer = (width: number, height: number): Layer => ({
  width,
  height,
  data: new Float32Array(4 * width * height),
})

/** Regions as a layer. */
export function regionLayer(regions: Regions, view: View, width: number, height: number): Layer {
  const layer = emptyLayer(width, height)
  eachRow(regions, view, width, height, (row, colours) => layer.data.set(colours, 4 * row * width))
  return layer
}

/** Lays a layer over another of the same size (source over). */
export function layOver(below: Layer, above: Layer): void {
  const { data } = below,
    own = above.data
  for (let i = 0; i < data.length; i += 4) {
    const rest = 1 - own[i + 3]!
    for (let k = i; k < i + 4; k++) data[k] = own[k]! + rest * data[k]!
  }
}

/** Makes a layer as opaque as `by` is, pixel by pixel where that is a layer. */
export function dim({ data }: Layer, by: number | Layer): void {
  for (let i = 0; i < data.length; i += 4) {
    const k = typeof by === 'number' ? by : by.data[i + 3]!
    for (let n = i; n < i + 4; n++) data[n]! *= k
  }
}
