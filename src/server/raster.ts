import { Resvg } from '@resvg/resvg-js'
import type { Rasterise } from '../core/formats/delivery'

/** Draws an SVG document with resvg: premultiplied pixels, the document's square stretched to `pixels`. */
export const rasterise: Rasterise = (svg, pixels) => {
  const image = new Resvg(svg, { fitTo: { mode: 'width', value: pixels }, font: { loadSystemFonts: false } }).render()
  return { width: image.width, height: image.height, data: image.pixels }
}
