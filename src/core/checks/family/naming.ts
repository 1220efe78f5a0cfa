import type { Rules } from '../../rules/rules'

/** What the names of a set look like, by the words for it. */
const PATTERNS: Readonly<Record<NonNullable<Rules['naming']>, RegExp>> = {
  'kebab-case': /^[a-z0-9]+(-[a-z0-9]+)*$/,
  snake_case: /^[a-z0-9]+(_[a-z0-9]+)*$/,
  camelCase: /^[a-z][a-zA-Z0-9]*$/,
  PascalCase: /^[A-Z][a-zA-Z0-9]*$/,
}

/** A name written as a pattern has it. */
export function patterned(name: string, naming: NonNullable<Rules['naming']>): string {
  const words = name
    .replace(/([a-z0-9])([A-Z])/g, '$1 $2')
    .toLowerCase()
    .split(/[^a-z0-9]+/)
    .filter((word) => word !== '')
  const large = (word: string) => word[0]!.toUpperCase() + word.slice(1)
  switch (naming) {
    case 'kebab-case':
      return words.join('-')
    case 'snake_case':
      return words.join('_')
    case 'camelCase':
      return words.map((word, i) => (i === 0 ? word : large(word))).join('')
    case 'PascalCase':
      return words.map(large).join('')
  }
}

/** Why a name does not follow the rules, as a sentence; null where it does, or they say nothing. */
export function nameProblem(name: string, { naming }: Rules): string | null {
  if (!naming || PATTERNS[naming].test(name)) return null
  return `The name “${name}” is not ${naming}; it would be “${patterned(name, naming)}”.`
}
