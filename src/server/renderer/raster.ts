import { readFile } from 'node:fs/promises'
import { createRequire } from 'node:module'
import { initWasm, Resvg } from '@resvg/resvg-wasm'
import type { Pixels } from '../../core/formats/pixels'
import { boundedMemory } from './bounded-memory'

/** Draws an SVG document to so many pixels along a side. */
export type Rasteriser = (
  svg: string | Uint8Array,
  fit: { readonly side: 'width' | 'longer'; readonly pixels: number },
) => Pixels

/**
 * How much memory the rasteriser may take, in bytes: the largest picture there is (8192 pixels square) with a few
 * layers of it.
 */
const MEMORY = 2 ** 30

let started: Promise<unknown> | null = null

/**
 * The rasteriser of this thread, the same as the browser's, so that a proof on screen and a delivered file cannot
 * differ. It sees no files. After it threw a `WebAssembly.RuntimeError` the thread has to be given up.
 */
export async function startRasteriser(): Promise<Rasteriser> {
  started ??= readFile(createRequire(import.meta.url).resolve('@resvg/resvg-wasm/index_bg.wasm')).then((wasm) =>
    initWasm(boundedMemory(wasm, MEMORY)),
  )
  await started
  return (svg, { side, pixels }) => {
    const resvg = new Resvg(svg, { font: { loadSystemFonts: false }, fitTo: { mode: 'width', value: pixels } })
    const { width, height } = resvg
    if (side === 'longer' && height > width) {
      resvg.free()
      return drawn(new Resvg(svg, { font: { loadSystemFonts: false }, fitTo: { mode: 'height', value: pixels } }))
    }
    return drawn(resvg)
  }
}

function drawn(resvg: InstanceType<typeof Resvg>): Pixels {
  const image = resvg.render()
  const { width, height, pixels: data } = image
  image.free()
  resvg.free()
  return { width, height, data }
}
