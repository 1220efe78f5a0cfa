import { readdirSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { coverage, difference, document } from './coverage'
import { pathsOf } from './icon-paths'
import { pathData } from '../core/formats/path-data'
import { readPathData } from '../core/formats/path-reader'
import { type Path, segmentCount } from '../core/geometry/path'
import type { Stroke } from '../core/outline/line-style'
import { strokedArea } from '../core/outline/stroking'

/** Pictures of 256 pixels, each from a block of the rasteriser's. */
const SIZE = 256,
  BLOCK = 4

type StrokeReport = {
  readonly count: number
  readonly mean: number
  readonly worst: { readonly name: string; readonly difference: number }[]
  readonly ms: number
  readonly segments: number
  readonly failed: string[]
}

/** The differences over the first icons of the folder (every n-th, so that they are from all over it). */
export function compareStrokes(count: number, style: Omit<Stroke, 'width'>, width = 2): StrokeReport {
  const folder = join(dirname(createRequire(import.meta.url).resolve('lucide-static/package.json')), 'icons')
  const files = readdirSync(folder)
    .filter((name) => name.endsWith('.svg'))
    .sort()
  const step = files.length / count
  const results: { name: string; difference: number }[] = [],
    failed: string[] = []
  let ms = 0,
    segments = 0
  for (let i = 0; i < count; i++) {
    const name = files[Math.floor(i * step)]!
    const paths = pathsOf(readFileSync(join(folder, name), 'utf8'))
    const start = performance.now()
    let outline: Path
    try {
      outline = paths.flatMap((d) => strokedArea(readPathData(d), { ...style, width }))
    } catch (error) {
      failed.push(`${name}: ${String(error)}`)
      continue
    }
    ms += performance.now() - start
    segments += segmentCount(outline)
    const stroked = document(
      paths
        .map(
          (d) =>
            `<path d="${d}" fill="none" stroke="#000" stroke-width="${width}" stroke-linecap="${style.cap}" stroke-linejoin="${style.join}" stroke-miterlimit="${style.miterLimit}"/>`,
        )
        .join(''),
    )
    // Overlapping strokes darken the edges where they meet; so each outline is painted by itself, as each stroke is.
    const filled = document(
      paths.map((d) => `<path d="${pathData(strokedArea(readPathData(d), { ...style, width }), 6)}"/>`).join(''),
    )
    results.push({ name, difference: difference(coverage(stroked, SIZE, BLOCK), coverage(filled, SIZE, BLOCK)) })
  }
  results.sort((a, b) => b.difference - a.difference)
  return {
    count: results.length,
    mean: results.reduce((sum, one) => sum + one.difference, 0) / results.length,
    worst: results.slice(0, 8),
    ms,
    segments,
    failed,
  }
}
