import { z } from 'zod'
import { unknownCheck } from '../checks/known'
import { type IconSet, IconSet as SetSchema, setProblems } from '../set/set'
import { PictureId } from '../drawing/model/reference'
import { excess } from '../set/bounds'
import { MAX_BYTES } from './max-bytes'
import { readableJson } from './json'
import { schemaSentence } from './plain-words'

/** The version of the set file this build reads and writes. */
const VERSION = 1

/** The whole of a set file (`name.wisesquare.json`). */
export const SetFile = z.strictObject({
  format: z.literal('wise-square-set'),
  version: z.literal(VERSION),
  set: SetSchema,
  /** The pictures that icons are drawn by, in base64, by their ids; they may be left out. */
  pictures: z.record(PictureId, z.base64()).optional(),
})

export type Pictures = Readonly<Record<string, string>>

/** Why a set file cannot be read, as a sentence for a person. */
export type FileError = {
  readonly code: 'too-large' | 'not-json' | 'not-a-set' | 'version' | 'invalid'
  readonly message: string
}

export type Reading =
  | { readonly set: IconSet; readonly pictures: Pictures; readonly error?: undefined }
  | { readonly set?: undefined; readonly pictures?: undefined; readonly error: FileError }

/** A set as the text of its file. The same set always gives the same text. */
export function writeSetFile(set: IconSet, pictures: Pictures = {}): string {
  const some = Object.keys(pictures).length > 0
  return readableJson(SetFile.parse({ format: 'wise-square-set', version: VERSION, set, ...(some && { pictures }) }))
}

/** Reads the text of a set file. Whatever is wrong with it is said in one sentence; nothing is guessed or repaired. */
export function readSetFile(text: string): Reading {
  const fail = (code: FileError['code'], message: string): Reading => ({ error: { code, message } })
  if (text.length > MAX_BYTES)
    return fail('too-large', `The file is larger than ${MAX_BYTES / 2 ** 20} MB, the most a set file may have.`)
  let value: unknown
  try {
    // Some editors begin a file with a byte order mark.
    value = JSON.parse(text.replace(/^\uFEFF/, ''))
  } catch (error) {
    return fail('not-json', jsonSentence(text, error))
  }
  if (!isRecord(value) || value.format !== 'wise-square-set')
    return fail('not-a-set', 'This is not a Wise Square set file.')
  if (value.version !== VERSION) {
    const { version } = value,
      isSaid = typeof version === 'number' || typeof version === 'string'
    return fail(
      'version',
      isSaid
        ? `This set file is of version ${String(version).slice(0, 20)}; this program reads version ${VERSION}.`
        : 'This set file does not state its version.',
    )
  }
  const tooMuch = excess(value)
  if (tooMuch) return fail('too-large', tooMuch)
  const parsed = SetFile.safeParse(value)
  if (!parsed.success) return fail('invalid', schemaSentence(parsed.error))
  const problem = setProblems(parsed.data.set)[0] ?? unknownCheck(parsed.data.set.rules)
  return problem ? fail('invalid', problem) : { set: parsed.data.set, pictures: parsed.data.pictures ?? {} }
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

function jsonSentence(text: string, error: unknown): string {
  if (text.trim() === '') return 'The file is empty.'
  if (/\b(NaN|Infinity)\b/.test(text)) return 'The file holds NaN or Infinity where a number is needed.'
  const end = text.trimEnd(),
    at = Number(/position (\d+)/.exec(String(error))?.[1] ?? -1)
  if (/end of (JSON )?(input|data)|unterminated/i.test(String(error)) || !end.endsWith('}') || at >= end.length)
    return 'The file is cut off before its end.'
  return 'The file is not valid JSON.'
}
