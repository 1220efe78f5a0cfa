import { pixelsOf } from '../rasterise'

/** Samples along the side of a pixel. */
export const FINE = 16

/** A picture as samples, row by row: 1 where ink covers at least half of one. `w` and `h` are numbers of samples. */
export type Ink = { readonly samples: Uint8Array; readonly w: number; readonly h: number }

/** The share of each pixel that ink covers, row by row. `w` and `h` are numbers of pixels. */
export type Coverage = { readonly shares: Float32Array; readonly w: number; readonly h: number }

/** The ink of a square SVG document at a size in pixels, by the rasteriser of others. */
export function inkOf(svg: string, size: number): Ink {
  const side = size * FINE,
    data = pixelsOf(svg, side)
  return {
    samples: Uint8Array.from({ length: side * side }, (_, i) => (data[4 * i + 3]! > 127 ? 1 : 0)),
    w: side,
    h: side,
  }
}

/** An ink with x and y exchanged. */
export function transposed({ samples, w, h }: Ink): Ink {
  const turned = new Uint8Array(w * h)
  for (let y = 0; y < h; y++) for (let x = 0; x < w; x++) turned[x * h + y] = samples[y * w + x]!
  return { samples: turned, w: h, h: w }
}

export function coverageOf({ samples, w, h }: Ink): Coverage {
  const across = w / FINE,
    shares = new Float32Array(across * (h / FINE))
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++)
      if (samples[y * w + x]) shares[Math.floor(y / FINE) * across + Math.floor(x / FINE)]! += 1 / (FINE * FINE)
  return { shares, w: across, h: h / FINE }
}
