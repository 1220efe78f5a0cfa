import { z } from 'zod'
import { unknownCheck } from '../checks/known'
import { Rules } from '../rules/rules'
import { readableJson } from './json'
import { schemaSentence } from './plain-words'

const RulesFile = z.strictObject({
  format: z.literal('wise-square-rules'),
  version: z.literal(1),
  rules: Rules,
})

/** The rules of a set alone, as the text of a file. The same rules always give the same text. */
export const writeRulesFile = ({ follows: _, ...rules }: Rules): string =>
  readableJson(RulesFile.parse({ format: 'wise-square-rules', version: 1, rules }))

type RulesReading =
  { readonly rules: Rules; readonly problem?: undefined } | { readonly rules?: undefined; readonly problem: string }

/** Reads the text of a rules file. Whatever is wrong with it is said in one sentence; nothing is guessed or repaired. */
export function readRulesFile(text: string): RulesReading {
  let value: unknown
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''))
  } catch {
    return { problem: 'This is not a rules file: it is not JSON.' }
  }
  if (typeof value !== 'object' || value === null || !('format' in value) || value.format !== 'wise-square-rules')
    return { problem: 'This is not a Wise Square rules file.' }
  const parsed = RulesFile.safeParse(value)
  if (!parsed.success) return { problem: schemaSentence(parsed.error) }
  const problem = unknownCheck(parsed.data.rules)
  return problem === null ? { rules: parsed.data.rules } : { problem }
}
