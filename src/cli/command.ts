import { faultSentence } from '../server/fault-sentence'

/** What a command answers: lines for a person, a value for a program. */
export type Answer = {
  readonly lines: readonly string[]
  readonly value: unknown
  /** What the command ends with where it was done and is not well all the same. */
  readonly status?: 1
}

/** Prints an answer: for a program as one line, for a person unless there is nothing to say. */
export function print({ lines, value }: Answer, json: boolean): void {
  if (json) console.log(JSON.stringify(value))
  else if (lines.length > 0) console.log(lines.join('\n'))
}

/** What went wrong, in a sentence: our own, or the system's in plain words. */
export function wentWrong(error: unknown): string {
  const isSystem = typeof (error as { syscall?: unknown } | null)?.syscall === 'string'
  return error instanceof Error && !isSystem ? error.message : faultSentence(error)
}

/** Something the caller did wrong, in a sentence. */
export class UsageError extends Error {}

/** Every option of every command, as node:util's parseArgs takes them. */
export const OPTIONS = {
  to: { type: 'string' },
  targets: { type: 'string' },
  icon: { type: 'string' },
  size: { type: 'string' },
  out: { type: 'string' },
  rules: { type: 'string' },
  into: { type: 'string' },
  name: { type: 'string' },
  style: { type: 'string' },
  as: { type: 'string' },
  leave: { type: 'string' },
  parts: { type: 'boolean' },
  drawings: { type: 'string' },
  except: { type: 'string' },
  only: { type: 'string' },
  'fail-on': { type: 'string' },
  note: { type: 'string' },
  limit: { type: 'string' },
  clean: { type: 'boolean' },
  releases: { type: 'string' },
  check: { type: 'boolean' },
  prove: { type: 'boolean' },
  watch: { type: 'boolean' },
  quiet: { type: 'boolean' },
  time: { type: 'boolean' },
  tokens: { type: 'boolean' },
  json: { type: 'boolean' },
  help: { type: 'boolean' },
} as const

/** How long one drawing may be computed, in milliseconds of processor time; Infinity where no limit is asked for. */
export function limitOf({ limit }: Options): number {
  if (limit === undefined) return Infinity
  const seconds = Number(limit)
  if (!(seconds > 0)) throw new UsageError(`“${limit}” is not a number of seconds.`)
  return seconds * 1000
}

export type Options = {
  readonly [K in keyof typeof OPTIONS]?: (typeof OPTIONS)[K]['type'] extends 'boolean' ? boolean : string
}
