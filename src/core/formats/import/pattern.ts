import type { Rules } from '../../rules/rules'

const PATTERNS: Readonly<Record<NonNullable<Rules['naming']>, RegExp>> = {
  'kebab-case': /^[a-z0-9]+(?:-[a-z0-9]+)*$/,
  snake_case: /^[a-z0-9]+(?:_[a-z0-9]+)+$/,
  camelCase: /^[a-z][a-z0-9]*(?:[A-Z][a-z0-9]*)+$/,
  PascalCase: /^(?:[A-Z][a-z0-9]*)+$/,
}

/** How most names are written, where nearly all are; null where they are mixed. */
export function patternOf(names: readonly string[]): { pattern: NonNullable<Rules['naming']>; count: number } | null {
  for (const [pattern, is] of Object.entries(PATTERNS)) {
    const count = names.filter((name) => is.test(name)).length
    if (names.length > 0 && count >= 0.8 * names.length)
      return { pattern: pattern as NonNullable<Rules['naming']>, count }
  }
  return null
}
