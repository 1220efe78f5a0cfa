import { strToU8, zipSync } from 'fflate'
import { type Documents, documentsFor, type Drawn } from '../formats/drawn'
import { type Pixels, png } from '../formats/png'
import { nameKey } from '../set/names'
import type { Rules } from '../rules/rules'
import type { Made, Named, PlannedFile, Sizes } from './target'
import { TARGETS } from './targets'

export type DeliveredFile = { readonly path: string; readonly bytes: Uint8Array }

/** Draws an SVG document to a square of pixels. */
export type Rasterise = (svg: string, pixels: number) => Pixels

/** Every file that a delivery of a set to some targets writes, in order of path. */
export function plannedFiles<I extends Named>(
  { icons, rules }: { readonly icons: readonly I[]; readonly rules: Sizes },
  targets: ReadonlySet<string>,
): PlannedFile<I>[] {
  return TARGETS.filter(({ id }) => targets.has(id))
    .flatMap(({ files }) => icons.flatMap((icon) => files(icon, rules)))
    .sort((a, b) => (a.path < b.path ? -1 : a.path > b.path ? 1 : 0))
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

/** The bytes of a text file. */
export const textBytes = ({ text }: Extract<Made, { as: 'text' }>, documents: Documents): Uint8Array =>
  strToU8(text(documents))

/**
 * The bytes of one planned file of an icon that is drawn. Throws when it cannot be drawn. The same set always gives the
 * same bytes.
 */
export function fileBytes(
  { made }: PlannedFile<Named>,
  drawn: Drawn,
  rules: Pick<Rules, 'grid' | 'masters'>,
  rasterise: Rasterise,
): Uint8Array {
  if (!drawn.svg) throw new Error(drawn.problem)
  const documents = documentsFor(drawn, rules, made.size)
  return made.as === 'text' ? textBytes(made, documents) : png(rasterise(documents.light, made.pixels))
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
