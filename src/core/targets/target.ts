import type { Documents } from '../formats/drawn'
import type { Rules } from '../rules/rules'
import type { Icon } from '../set/set'

/** What a file is named after; plans can be made of names alone. */
export type Named = Pick<Icon, 'name'>

/** What of the rules a list of files depends on. */
export type Sizes = Pick<Rules, 'grid' | 'masters' | 'sizes' | 'densities'>

/**
 * How a file is made, from the drawing that fits a size: a text written from its documents, or so many pixels along a
 * side as PNG.
 */
export type Made = { readonly size: number } & (
  | { readonly as: 'text'; readonly text: (documents: Documents) => string }
  | { readonly as: 'raster'; readonly pixels: number }
)

/** One file to be written: its path within the delivery, with forward slashes, and how it is made. */
export type PlannedFile<I extends Named = Icon> = { readonly path: string; readonly icon: I; readonly made: Made }

/** Something a set is delivered as: a list of files for each icon. */
export type Target = {
  readonly id: string
  readonly name: string
  /** What is written, in a sentence. */
  readonly note: string
  readonly files: <I extends Named>(icon: I, sizes: Sizes) => readonly PlannedFile<I>[]
}
