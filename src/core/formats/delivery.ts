import { strToU8, zipSync } from 'fflate'
import type { Rules } from '../rules/rules'
import { nameKey } from '../set/names'
import type { Icon } from '../set/set'
import type { Drawn } from './drawn'
import { type Pixels, png } from './png'

type Named = Pick<Icon, 'name'>

/** What a delivery writes. */
export type DeliveryOptions = { readonly svg: boolean; readonly png: boolean }

/** One file to be written: its path within the delivery, with forward slashes, and what is in it. */
export type PlannedFile<I extends Named = Icon> = { readonly path: string; readonly icon: I } & (
  | { readonly format: 'svg' }
  | { readonly format: 'png'; readonly size: number; readonly density: number; readonly pixels: number }
)

export type DeliveredFile = { readonly path: string; readonly bytes: Uint8Array }

/** Draws an SVG document to a square of pixels. */
export type Rasterise = (svg: string, pixels: number) => Pixels

/** Every file a delivery of the set writes, in order of path: `svg/NAME.svg` and `png/SIZE/NAME.png`, `NAME@2x.png`. */
export function plannedFiles<I extends Named>(
  { icons, rules }: { readonly icons: readonly I[]; readonly rules: Pick<Rules, 'sizes' | 'densities'> },
  options: DeliveryOptions,
): PlannedFile<I>[] {
  const files: PlannedFile<I>[] = []
  for (const icon of icons) {
    if (options.svg) files.push({ path: `svg/${icon.name}.svg`, icon, format: 'svg' })
    if (!options.png) continue
    for (const size of rules.sizes) {
      for (const density of rules.densities) {
        const suffix = density === 1 ? '' : `@${density}x`
        files.push({
          path: `png/${size}/${icon.name}${suffix}.png`,
          icon,
          format: 'png',
          size,
          density,
          pixels: size * density,
        })
      }
    }
  }
  return files.sort((a, b) => (a.path < b.path ? -1 : a.path > b.path ? 1 : 0))
}

/** Why planned files cannot all be written, a sentence for each: two of them would be one file on some system. */
export function planProblems(files: readonly PlannedFile<Named>[]): string[] {
  const names = new Map<string, PlannedFile<Named>>()
  return files.flatMap((file) => {
    const key = nameKey(file.path),
      other = names.get(key)
    names.set(key, other ?? file)
    return other
      ? [`“${other.icon.name}” and “${file.icon.name}” would both be the file ${file.path}: rename one of them.`]
      : []
  })
}

/**
 * The bytes of one planned file of an icon that is drawn. Throws when it cannot be drawn. The same set always gives the
 * same bytes.
 */
export function fileBytes(file: PlannedFile<Named>, { svg, problem }: Drawn, rasterise: Rasterise): Uint8Array {
  if (!svg) throw new Error(problem)
  return file.format === 'svg' ? strToU8(svg.current) : png(rasterise(svg.light, file.pixels))
}

/**
 * Files as one zip archive, with a fixed date, so that the same files always give the same bytes. PNG is stored as it
 * is.
 */
export function zip(files: Iterable<DeliveredFile>): Uint8Array {
  const entries = Object.fromEntries(
    [...files].map(({ path, bytes }) => [
      path,
      [bytes, { level: path.endsWith('.png') ? 0 : 9, mtime: '1980-01-01T12:00:00' }] as [Uint8Array, object],
    ]),
  )
  return zipSync(entries)
}
