import { z } from 'zod'

/**
 * What a schema finds wrong, in plain words where its author gave none: predicates such as “must be at most 1,000,000”,
 * to which `schemaSentence` adds the field.
 */
z.config({
  localeError: (issue) => {
    const count = (n: number | bigint) => n.toLocaleString('en', { maximumFractionDigits: 6 })
    switch (issue.code) {
      case 'too_big':
        return `${sized(issue.origin, issue.inclusive ? 'at most' : 'less than', count(issue.maximum))}`
      case 'too_small':
        return `${sized(issue.origin, issue.inclusive ? 'at least' : 'more than', count(issue.minimum))}`
      case 'invalid_type':
        if (issue.input === undefined) return 'is missing'
        if (typeof issue.input === 'number' && !Number.isFinite(issue.input)) return 'must be a finite number'
        return `must be ${KINDS[issue.expected] ?? issue.expected}`
      case 'invalid_value':
        return `must be ${issue.values.map((value) => (typeof value === 'string' ? `“${value}”` : String(value))).join(' or ')}`
      case 'unrecognized_keys':
        return `holds ${issue.keys
          .slice(0, 3)
          .map((key) => `“${key.slice(0, 40)}”`)
          .join(', ')}, which is not known here`
      case 'invalid_format':
        return 'is not in the right format'
      case 'not_multiple_of':
        return `must be a multiple of ${issue.divisor}`
      case 'invalid_union':
        return 'is not a kind that is allowed here'
      default:
        return 'cannot be read'
    }
  },
})

const KINDS: Record<string, string> = {
  number: 'a number',
  int: 'a whole number',
  string: 'a text',
  boolean: 'true or false',
  array: 'a list',
  object: 'an object',
  record: 'an object',
  nan: 'a number',
}

function sized(origin: string, than: string, limit: string): string {
  if (origin === 'string') return `must have ${than} ${limit} characters`
  if (origin === 'array') return `must have ${than} ${limit} entries`
  return `must be ${than} ${limit}`
}

/** The first thing a schema found wrong, with its place, as a sentence. */
export function schemaSentence(error: z.ZodError): string {
  const issue = innermost(error.issues[0]!)
  const { path, message } = issue
  if (!isPredicate(message)) return path.length > 0 ? `At ${placeOf(path)}: ${message}` : message
  const field = path.at(-1)
  if (field === undefined) return `The whole ${message}.`
  const place = placeOf(path.slice(0, -1)),
    name = typeof field === 'number' ? `entry ${field + 1}` : String(field)
  return place ? `At ${place}: ${name} ${message}.` : `“${name}” ${message}.`
}

/** The first thing a schema found wrong with something that people know by a name, as a sentence about it. */
export function fieldSentence(error: z.ZodError, name: string): string {
  const { path, message } = innermost(error.issues[0]!)
  if (!isPredicate(message)) return message
  const field = path.findLast((key) => typeof key === 'string')
  return field === undefined ? `${name} ${message}.` : `${name}: ${field} ${message}.`
}

const isPredicate = (message: string): boolean => /^(?:must|is|holds|cannot) /.test(message)

const placeOf = (path: readonly PropertyKey[]): string =>
  path
    .map((key) => (typeof key === 'number' ? `[${key}]` : `.${String(key)}`))
    .join('')
    .replace(/^\./, '')

/** Of a union's issues, the one of the nearest alternative: with the right type, or the deepest path. */
function innermost(issue: z.core.$ZodIssue): z.core.$ZodIssue {
  if (issue.code !== 'invalid_union') return issue
  const ways = issue.errors.flatMap(([first]) => (first ? [innermost(first)] : []))
  const best = ways.sort((a, b) => b.path.length - a.path.length || rank(a) - rank(b))[0]
  return best ? { ...best, path: [...issue.path, ...best.path] } : issue
}

const rank = ({ code }: z.core.$ZodIssue): number =>
  code === 'invalid_type' || code === 'invalid_value' ? 2 : code === 'invalid_format' ? 1 : 0
