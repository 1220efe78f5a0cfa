/**
 * An icon that is to be read: the path of its file in the folder it came from, with slashes, and its text; of a glyph
 * its code point.
 */
export type Source = { readonly path: string; readonly text: string; readonly code?: number }

/** A file that is no icon, and why. */
export type ImportProblem = { readonly path: string; readonly problem: string }

/** Something that a file holds and the drawing does not: which element or property, and why, in a few words. */
export type ImportLoss = { readonly what: string; readonly why: string }

/** Why a file cannot be read at all, as a sentence for a person. */
export class ImportRefusal extends Error {
  override name = 'Unreadable'
}

/** Upper bounds for the text of one file; a larger file is refused. `budget.ts` has the bounds for its drawing. */
export const MOST = { characters: 4_000_000, elements: 50_000, depth: 200 } as const

/** The first code point for private use; lower ones are text. */
export const PRIVATE = 0xe000

/** A remark about a read icon: a name clash, a dropped size, an unsupported feature. */
export type ImportRemark = { readonly icon: string; readonly path: string; readonly text: string }
