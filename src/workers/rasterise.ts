import { type Remote, wrap } from 'comlink'
import type { RasterJob, RasterWorker } from './raster.worker'

let remote: Remote<RasterWorker> | undefined

/** Draws SVG documents to square pictures in a worker, so that the pointer never waits for it. */
export async function rasterise(jobs: readonly RasterJob[]): Promise<ImageData[]> {
  remote ??= wrap<RasterWorker>(new Worker(new URL('./raster.worker.ts', import.meta.url), { type: 'module' }))
  const pictures = await remote.rasterise(jobs)
  return pictures.map((data, i) => new ImageData(data, jobs[i]!.pixels, jobs[i]!.pixels))
}
