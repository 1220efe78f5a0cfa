/**
 * A problem with an input or a choice, as a sentence for a person. An error keeps something from being made; anything else
 * is a warning.
 */
export type Problem = {
  readonly sentence: string
  readonly isError: boolean
  /** The file that it is about. */
  readonly path?: string
  /** The target that is left out for it; with an icon, only that icon of it. */
  readonly target?: string
  /** The icon that it is about: its id, or its name while it is being imported. */
  readonly icon?: string
  /** A free name that mends it. */
  readonly rename?: string
  readonly mend?: OptionsMend
}

/** A mend of a problem by other options of a target: its words, and the options. */
export type OptionsMend = {
  readonly word: string
  readonly target: string
  readonly options: Readonly<Record<string, string | boolean>>
}

/** A problem with a file: an error if the file could not be read, else a warning about a difference. */
export type FileProblem = Problem & { readonly path: string }

/** An error about a file that could not be read. */
export const fileError = (path: string, sentence: string): FileProblem => ({ path, sentence, isError: true })
