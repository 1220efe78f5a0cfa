import { converter, parse as parseColour } from 'culori'
import { compose, IDENTITY, rotation, type Transform } from '../../../geometry/transform'

/** Pixels in a unit of length (CSS Values 4 §6). */
const UNITS: Readonly<Record<string, number>> = {
  '': 1,
  px: 1,
  pt: 4 / 3,
  pc: 16,
  in: 96,
  cm: 96 / 2.54,
  mm: 96 / 25.4,
  q: 96 / 101.6,
  rem: 16,
}

/** What a length may be relative to: the font, and 100 %. */
export type Relative = { readonly em?: number; readonly whole?: number }

/** A length in pixels; null where it is none. */
export function readLength(text: string | undefined, { em = 16, whole = 0 }: Relative = {}): number | null {
  const [, number, unit = ''] = /^\s*([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)\s*([a-z%]*)\s*$/i.exec(text ?? '') ?? []
  if (number === undefined) return null
  const value = Number(number),
    name = unit.toLowerCase()
  if (name === '%') return (value / 100) * whole
  if (name === 'em') return value * em
  if (name === 'ex') return (value * em) / 2
  const factor = UNITS[name]
  return factor === undefined || !Number.isFinite(value) ? null : value * factor
}

/** The numbers of a list, between spaces and commas; an empty list where there is anything else. */
export function readNumbers(text: string | undefined): number[] {
  const all = (text ?? '').match(/[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?/gi) ?? []
  const rest = (text ?? '').replace(/[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?/gi, '')
  return /[^\s,]/.test(rest) ? [] : all.map(Number)
}

const asRgb = converter('rgb')

/** A colour: six hexadecimal digits and how opaque it is; `current` for the colour of the text around. */
type ReadColour = { readonly hex: string; readonly alpha: number } | 'current'

/** What the package makes of a colour; it throws at some that are cut off. */
function parsed(word: string): ReturnType<typeof parseColour> {
  try {
    return parseColour(word)
  } catch {
    return undefined
  }
}

/** A colour in any syntax of CSS Color 4; null where it is none. */
export function readColour(text: string): ReadColour | null {
  const word = text.trim()
  if (/^currentcolor$/i.test(word)) return 'current'
  if (/^transparent$/i.test(word)) return { hex: '#000000', alpha: 0 }
  const colour = parsed(word)
  if (!colour) return null
  const { r, g, b } = asRgb(colour)
  const digits = [r, g, b].map((part) =>
    Math.round(255 * Math.min(1, Math.max(0, part)))
      .toString(16)
      .padStart(2, '0'),
  )
  return { hex: `#${digits.join('')}`, alpha: colour.alpha ?? 1 }
}

const degrees = (text: string): number => {
  const value = Number.parseFloat(text)
  return /rad$/.test(text)
    ? (value * 180) / Math.PI
    : /turn$/.test(text)
      ? value * 360
      : /grad$/.test(text)
        ? value * 0.9
        : value
}

/** The map of a `transform` attribute or property; null if it is invalid (CSS Transforms 1 §8). */
export function readTransform(text: string): Transform | null {
  const words = text.trim()
  if (words === '' || words === 'none') return IDENTITY
  let map: Transform = IDENTITY
  let rest = words
  while (rest) {
    const call = /^([a-zA-Z]+)\s*\(([^)]*)\)[\s,]*/.exec(rest)
    if (!call) return null
    const [whole, name, inside] = call
    const one = single(name!, inside!.trim().split(/[\s,]+/))
    if (!one || one.some((value) => !Number.isFinite(value))) return null
    map = compose(map, one)
    rest = rest.slice(whole.length)
  }
  return map
}

function single(name: string, words: readonly string[]): Transform | null {
  const n = words.map((word) => Number.parseFloat(word))
  const [a = 0, b, c] = n
  switch (name) {
    case 'matrix':
      return n.length === 6 ? (n as unknown as Transform) : null
    case 'translate':
      return [1, 0, 0, 1, a, b ?? 0]
    case 'translateX':
      return [1, 0, 0, 1, a, 0]
    case 'translateY':
      return [1, 0, 0, 1, 0, a]
    case 'scale':
      return [a, 0, 0, b ?? a, 0, 0]
    case 'scaleX':
      return [a, 0, 0, 1, 0, 0]
    case 'scaleY':
      return [1, 0, 0, a, 0, 0]
    case 'rotate':
      return rotation(degrees(words[0]!), { x: b ?? 0, y: c ?? 0 })
    case 'skewX':
      return [1, 0, Math.tan((degrees(words[0]!) * Math.PI) / 180), 1, 0, 0]
    case 'skewY':
      return [1, Math.tan((degrees(words[0]!) * Math.PI) / 180), 0, 1, 0, 0]
    default:
      return null
  }
}

/** The link in `url(#id)`; null where it is none, or leads elsewhere. */
export const linkIn = (text: string): string | null =>
  /^url\(\s*["']?#([^"')]+)["']?\s*\)/.exec(text.trim())?.[1] ?? null
