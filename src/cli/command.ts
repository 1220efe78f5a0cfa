/** What a command answers: lines for a person, a value for a program. */
export type Answer = {
  readonly lines: readonly string[]
  readonly value: unknown
  /** What the command ends with where it was done and is not well all the same. */
  readonly status?: 1
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
  clean: { type: 'boolean' },
  releases: { type: 'string' },
  check: { type: 'boolean' },
  watch: { type: 'boolean' },
  quiet: { type: 'boolean' },
  time: { type: 'boolean' },
  tokens: { type: 'boolean' },
  json: { type: 'boolean' },
  help: { type: 'boolean' },
} as const

export type Options = {
  readonly [K in keyof typeof OPTIONS]?: (typeof OPTIONS)[K]['type'] extends 'boolean' ? boolean : string
}
