/**
 * An icon that is to be read: the path of its file in the folder it came from, with slashes, and its text; of a glyph
 * its code point.
 */
export type Source = { readonly path: string; readonly text: string; readonly code?: number }

/** Upper bounds for the text of one file; a larger file is refused. `budget.ts` has the bounds for its drawing. */
export const MOST = { characters: 4_000_000, elements: 50_000, depth: 200 } as const

/** The first code point for private use; lower ones are text. */
export const PRIVATE = 0xe000
