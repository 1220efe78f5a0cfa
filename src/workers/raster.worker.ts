import { expose, transfer } from 'comlink'
import { initWasm, Resvg } from '@resvg/resvg-wasm'
import { straightAlpha } from '../core/formats/png'

/** A square picture of an SVG document, as many pixels wide as asked. */
export type RasterJob = { readonly svg: string; readonly pixels: number }

let ready: Promise<void> | undefined

/** Straight-alpha pixels of each job, in the order of the jobs: rows of R, G, B, A bytes. */
async function rasterise(jobs: readonly RasterJob[]): Promise<Uint8ClampedArray<ArrayBuffer>[]> {
  ready ??= initWasm(fetch(new URL('@resvg/resvg-wasm/index_bg.wasm', import.meta.url)))
  await ready
  const pictures = jobs.map(({ svg, pixels }) => {
    const resvg = new Resvg(svg, { fitTo: { mode: 'width', value: pixels }, font: { loadSystemFonts: false } })
    const image = resvg.render()
    const data = straightAlpha({ width: image.width, height: image.height, data: image.pixels })
    image.free()
    resvg.free()
    return data
  })
  return transfer(pictures, pictures.map(({ buffer }) => buffer))
}

const worker = { rasterise }
export type RasterWorker = typeof worker

expose(worker)
