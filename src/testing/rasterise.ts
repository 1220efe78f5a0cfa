import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { initWasm, Resvg } from '@resvg/resvg-wasm'

const loaded = initWasm(readFileSync(createRequire(import.meta.url).resolve('@resvg/resvg-wasm/index_bg.wasm')))
await loaded

/** Premultiplied pixels of an SVG document, so many across, by a rasteriser that shares nothing with ours. */
export function pixelsOf(svg: string, pixels: number): Uint8Array {
  const resvg = new Resvg(svg, { font: { loadSystemFonts: false }, fitTo: { mode: 'width', value: pixels } })
  const image = resvg.render()
  const { pixels: data } = image
  image.free()
  resvg.free()
  return data
}

/** The same as a PNG file, as that rasteriser writes it. */
export const pngOf = (svg: string, pixels: number): Uint8Array =>
  new Resvg(svg, { font: { loadSystemFonts: false }, fitTo: { mode: 'width', value: pixels } }).render().asPng()
