import { oneOf, text } from './options'

/** How names are written. */
const CASES = {
  kept: 'as named',
  kebab: 'kebab-case',
  snake: 'snake_case',
  camel: 'camelCase',
  pascal: 'PascalCase',
} as const
export type Case = keyof typeof CASES

/** The words of a name: parted by anything that is no letter or digit, and by humps. */
export const wordsIn = (name: string): string[] =>
  name
    .normalize('NFKD')
    .replace(/\p{M}+/gu, '')
    .replace(/(\p{Ll}|\d)(\p{Lu})/gu, '$1 $2')
    .split(/[^\p{L}\d]+/u)
    .filter((word) => word !== '')

const capital = (word: string) => word.slice(0, 1).toUpperCase() + word.slice(1)

/** A name in another case; unchanged if nothing would be left. */
export function cased(name: string, how: Case | string): string {
  if (how === 'kept') return name
  const words = wordsIn(name).map((word) => word.toLowerCase())
  if (words.length === 0) return name
  switch (how) {
    case 'snake':
      return words.join('_')
    case 'camel':
      return words[0]! + words.slice(1).map(capital).join('')
    case 'pascal':
      return words.map(capital).join('')
    default:
      return words.join('-')
  }
}

/** A name by a pattern: * stands for the name, # for the size in pixels. */
export const patterned = (pattern: string, name: string, size: number): string =>
  pattern.replaceAll('#', String(size)).replaceAll('*', name)

const patternFault = (pattern: string): string | null =>
  !pattern.includes('*')
    ? 'A pattern has a * for the name.'
    : /[\\/:?"<>|]/.test(pattern)
      ? 'A pattern of names has none of / \\ : ? " < > |.'
      : pattern.length > 40
        ? 'A pattern has at most 40 characters.'
        : null

/** The choices of a target whose files are named after icons. */
export const naming = (how: Case = 'kept', pattern = '*') => ({
  case: oneOf('names', how, CASES),
  pattern: text('pattern', pattern, 'other-*', patternFault),
})

/** The name of an icon as a file of a target is named. */
export const fileName = (
  name: string,
  options: { readonly case: string; readonly pattern: string },
  size = 0,
): string => patterned(options.pattern, cased(name, options.case), size)

/**
 * A name that programs take for a thing of theirs: letters, digits and underscores, a letter first. Of a name without
 * any of these, such as one of emoji, it tells the code points.
 */
export function identifier(name: string, how: 'camel' | 'pascal' | 'snake'): string {
  const words = cased(name, how).replace(/[^A-Za-z0-9_]/g, '')
  const plain =
    words.replaceAll('_', '') === ''
      ? [...name].map((sign) => `u${sign.codePointAt(0)!.toString(16)}`).join(how === 'snake' ? '_' : '')
      : words
  if (words !== plain && how === 'pascal') return `Icon${plain.toUpperCase()}`
  return /^[A-Za-z]/.test(plain) ? plain : `${how === 'pascal' ? 'Icon' : how === 'camel' ? 'icon' : 'icon_'}${plain}`
}
