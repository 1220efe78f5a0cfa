import { LIMIT_KEYS } from './limits'

/** The lists of a rule book whose items are known by their names. */
export const NAMED = ['keylines', 'weights', 'radii', 'palette', 'gradients', 'finishes', 'plates', 'parts'] as const
/** The keys of a rule book that hold one value each. */
export const SINGLES = [
  'grid',
  'liveArea',
  'cap',
  'join',
  'miterLimit',
  'sizes',
  'densities',
  'masters',
  'weightSteps',
  'strokes',
  'angles',
  ...LIMIT_KEYS,
  'trim',
  'lines',
  'naming',
  'checks',
] as const

/** Own keys of a following rule book that do not exist, as sentences: a value, or an item like “weights/main”. */
export function followProblems({
  follows,
}: {
  readonly follows?: { readonly own: readonly string[] } | undefined
}): string[] {
  const isKnown = (key: string) =>
    (SINGLES as readonly string[]).includes(key) || NAMED.some((list) => key.startsWith(`${list}/`))
  const unknown = follows?.own.find((key) => !isKnown(key))
  return unknown === undefined ? [] : [`Rules have no “${unknown}” that could be their own.`]
}
