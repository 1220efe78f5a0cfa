import { readFile } from 'node:fs/promises'
import { createRequire } from 'node:module'
import { initWasm, Resvg } from '@resvg/resvg-wasm'
import type { Pixels } from '../../core/raster/raster'
import { boundedMemory } from './bounded-memory'

/** Draws an SVG file to so many pixels along its longer side. */
type Rasteriser = (svg: string | Uint8Array, pixels: number) => Pixels

/**
 * How much memory the rasteriser may take, in bytes: the largest picture there is (8192 pixels square) with a few
 * layers of it.
 */
const MEMORY = 2 ** 30

let started: Promise<unknown> | null = null

/**
 * What draws the SVG files that others made, to be laid under a drawing; what this program makes it draws by itself. It
 * sees no files. After it threw a `WebAssembly.RuntimeError` the thread has to be given up.
 */
export async function startForeignRasteriser(): Promise<Rasteriser> {
  started ??= readFile(createRequire(import.meta.url).resolve('@resvg/resvg-wasm/index_bg.wasm')).then((wasm) =>
    initWasm(boundedMemory(wasm, MEMORY)),
  )
  await started
  return (svg, pixels) => {
    const resvg = new Resvg(svg, { font: { loadSystemFonts: false }, fitTo: { mode: 'width', value: pixels } })
    const { width, height } = resvg
    if (height > width) {
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
  return { width, height, data: straightAlpha(data) }
}

/** Premultiplied bytes with straight alpha, as PNG wants them. */
function straightAlpha(data: Uint8Array): Uint8ClampedArray<ArrayBuffer> {
  const out = new Uint8ClampedArray(data.length)
  for (let i = 0; i < data.length; i += 4) {
    const alpha = data[i + 3]!
    out[i + 3] = alpha
    if (alpha === 0) continue
    for (let k = i; k < i + 3; k++) out[k] = alpha === 255 ? data[k]! : Math.round((data[k]! * 255) / alpha)
  }
  return out
}
