import { strToU8, zipSync } from 'fflate'
import { evaluateAll } from '../drawing/evaluate'
import { type Memory, remembered } from '../drawing/memory'
import type { Shape } from '../drawing/shape'
import type { Rules } from '../rules/rules'
import { drawing, type Icon, type IconSet } from '../set/set'
import { outlined } from './outlined'
import { type Pixels, png } from './png'
import { svgOfShapes } from './svg'

/** What a delivery writes. */
export type DeliveryOptions = { readonly svg: boolean; readonly png: boolean }

/** One file to be written: its path within the delivery, with forward slashes, and what is in it. */
export type PlannedFile = { readonly path: string; readonly icon: Icon } & (
  | { readonly format: 'svg' }
  | { readonly format: 'png'; readonly size: number; readonly density: number; readonly pixels: number }
)

export type DeliveredFile = { readonly path: string; readonly bytes: Uint8Array }

/** Draws an SVG document to a square of pixels. */
export type Rasterise = (svg: string, pixels: number) => Pixels

/** Every file a delivery of the set writes, in order of path: `svg/NAME.svg` and `png/SIZE/NAME.png`, `NAME@2x.png`. */
export function plannedFiles({ icons, rules }: IconSet, options: DeliveryOptions): PlannedFile[] {
  const files: PlannedFile[] = []
  for (const icon of icons) {
    if (options.svg) files.push({ path: `svg/${icon.name}.svg`, icon, format: 'svg' })
    if (!options.png) continue
    for (const size of rules.sizes) {
      for (const density of rules.densities) {
        const suffix = density === 1 ? '' : `@${density}x`
        files.push({ path: `png/${size}/${icon.name}${suffix}.png`, icon, format: 'png', size, density, pixels: size * density })
      }
    }
  }
  return files.sort((a, b) => (a.path < b.path ? -1 : a.path > b.path ? 1 : 0))
}

/** What an icon is delivered as: its shapes, their strokes outlined where the rules say so. */
function shapesOf(icon: Icon, rules: Rules): Shape[] {
  const shapes = evaluateAll(drawing(icon), rules)
  return rules.strokes === 'outlined' ? outlined(shapes) : shapes
}

/** The SVG document an icon is delivered as. */
export const deliveredSvg = (icon: Icon, rules: Rules): string => svgOfShapes(shapesOf(icon, rules), rules.grid.size, 'current')

const proofs = { light: new WeakMap(), dark: new WeakMap() } satisfies Record<string, Memory<Rules, Icon, string>>

/** The SVG document an icon's proofs and rasters are drawn from, in the colours for a light or a dark ground. Remembered. */
export const proofSvg = (icon: Icon, rules: Rules, ground: 'light' | 'dark' = 'light'): string =>
  remembered(proofs[ground], rules, icon, () => svgOfShapes(shapesOf(icon, rules), rules.grid.size, ground))

/** The bytes of one planned file. The same set always gives the same bytes. */
export function fileBytes(file: PlannedFile, set: IconSet, rasterise: Rasterise): Uint8Array {
  return file.format === 'svg' ? strToU8(deliveredSvg(file.icon, set.rules)) : png(rasterise(proofSvg(file.icon, set.rules), file.pixels))
}

/** Every file of a delivery, one after the other. */
export function* deliver(set: IconSet, options: DeliveryOptions, rasterise: Rasterise): Generator<DeliveredFile> {
  for (const file of plannedFiles(set, options)) yield { path: file.path, bytes: fileBytes(file, set, rasterise) }
}

/** Files as one zip archive, with a fixed date, so that the same files always give the same bytes. PNG is stored as it is. */
export function zip(files: Iterable<DeliveredFile>): Uint8Array {
  const entries = Object.fromEntries(
    [...files].map(({ path, bytes }) => [path, [bytes, { level: path.endsWith('.png') ? 0 : 9, mtime: '1980-01-01T12:00:00' }] as [Uint8Array, object]]),
  )
  return zipSync(entries)
}
