/** What a command is found by: its name, and further words of the trade. */
type Findable = { readonly name: string; readonly words?: string }

const wordsOf = (text: string): string[] => text.toLowerCase().match(/[\p{L}\p{N}°]+/gu) ?? []

/** Scores of a whole word of the name, a whole further word, and the beginning of either. */
const WORTH = { name: 4, words: 3.5, nameBegins: 2, wordsBegin: 1 }

/** Returns the score of one typed word; 0 if no word of the command begins with it. */
function worthOf(typed: string, { name, words = '' }: Findable): number {
  const own = wordsOf(name),
    further = wordsOf(words)
  if (own.includes(typed)) return WORTH.name + (own[0] === typed ? 0.5 : 0)
  if (further.includes(typed)) return WORTH.words
  if (own.some((word) => word.startsWith(typed))) return WORTH.nameBegins + (own[0]!.startsWith(typed) ? 0.25 : 0)
  return further.some((word) => word.startsWith(typed)) ? WORTH.wordsBegin : 0
}

/**
 * Returns the score of a command for the typed text, from 0 (no match) to 1. Every typed word must be a word of the command
 * or begin one. Whole words score highest, then short names.
 */
export function commandScore(command: Findable, typed: string): number {
  const words = wordsOf(typed)
  if (words.length === 0) return 1
  const worths = words.map((word) => worthOf(word, command))
  if (worths.includes(0)) return 0
  const mean = worths.reduce((sum, worth) => sum + worth, 0) / worths.length
  return mean / 5 - 0.0005 * Math.min(60, command.name.length)
}
