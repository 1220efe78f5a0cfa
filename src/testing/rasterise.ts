import { type Rasteriser, startRasteriser } from '../server/renderer/raster'

const raster: Rasteriser = await startRasteriser()

/** Premultiplied pixels of an SVG document, so many along a side: the product's own rasteriser, for tests and tools. */
export const pixelsOf = (svg: string, pixels: number): Uint8Array | Uint8ClampedArray =>
  raster(svg, { side: 'width', pixels }).data
