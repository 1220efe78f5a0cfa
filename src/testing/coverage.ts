import { pixelsOf } from './rasterise'

/** An icon's document of 24 units with something in it. */
export const document = (body: string) => `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 24 24">${body}</svg>`

/**
 * How much of each of `size` × `size` pixels a document covers, each the sum over a block of the rasteriser's own: at
 * 256 its own steps of coverage come to 0.2 % of ink.
 */
export function coverage(svg: string, size: number, block: number): Float64Array {
  const pixels = pixelsOf(svg, size * block),
    sums = new Float64Array(size * size)
  for (let i = 0, n = size * block; i < n * n; i++) {
    const x = i % n,
      y = (i - x) / n
    sums[Math.floor(y / block) * size + Math.floor(x / block)]! += pixels[4 * i + 3]!
  }
  return sums
}

/** How far apart two pictures are, as a share of the ink of the first. */
export function difference(a: Float64Array, b: Float64Array): number {
  let apart = 0,
    ink = 0
  for (let i = 0; i < a.length; i++) {
    apart += Math.abs(a[i]! - b[i]!)
    ink += a[i]!
  }
  return ink === 0 ? 0 : apart / ink
}
