import { writeRulesFile } from '../core/formats/rules-file'
import { writeTokens } from '../core/formats/tokens'
import type { Answer, Options } from './command'
import { readSet } from './read-set'

/** Prints the rules of a set alone, as a file of their own or as design tokens. */
export async function rulesCommand(files: readonly string[], { tokens }: Options): Promise<Answer> {
  const { name, rules } = await readSet(files)
  const text = tokens ? writeTokens(name, rules) : writeRulesFile(rules)
  return { lines: [text.trimEnd()], value: JSON.parse(text) as unknown }
}
