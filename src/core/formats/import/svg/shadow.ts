import type { Shadow } from '../../../drawing/model/paint'
import { tidy } from '../../../geometry/tidy'
import type { Transform } from '../../../geometry/transform'
import { INITIAL, type Look, lookOf } from './look'
import { type Document, flat, share } from './paint'
import { linkIn, readLength, readNumbers } from './values'
import type { XmlElement } from './xml'

/** A shadow in the units of its element: how far it is off, the standard deviation of its blur, its colour. */
type Cast = {
  readonly x: number
  readonly y: number
  readonly deviation: number
  readonly color: string
  readonly opacity: number
}

/**
 * The soft shadow that a `filter` property makes, mapped to the square: the function `drop-shadow`, the one filter
 * element of that name, or the steps that stand for it (Filter Effects 1 §9.12), a colour matrix for the flood
 * included. Null where it is something else.
 */
export function readShadow(text: string, look: Look, map: Transform, document: Document): Shadow | null {
  const id = linkIn(text)
  const filter = id === null ? undefined : document.byId.get(id)
  const cast = filter ? ofFilter(filter, look, document) : ofFunction(text, look)
  if (!cast || cast.opacity <= 0) return null
  const [a, b, c, d] = map
  const scale = Math.sqrt(Math.abs(a * d - b * c))
  return {
    x: tidy(a * cast.x + c * cast.y),
    y: tidy(b * cast.x + d * cast.y),
    blur: Math.min(1000, tidy(2 * cast.deviation * scale)),
    color: cast.color,
    ...(cast.opacity < 1 && { opacity: tidy(cast.opacity) }),
  }
}

/** `drop-shadow(…)` alone: two or three lengths and a colour before or after them. */
function ofFunction(text: string, look: Look): Cast | null {
  const [, inner] = /^\s*drop-shadow\(\s*((?:[^()]|\([^()]*\))*)\)\s*$/.exec(text) ?? []
  if (inner === undefined) return null
  const [, before = '', lengths = '', after = ''] =
    /^(.*?)((?:(?:^|\s)[+-]?[\d.]+(?:px)?(?=\s|$)){2,3})(.*)$/.exec(` ${inner.trim()}`) ?? []
  const [x, y, deviation = 0] = lengths
    .trim()
    .split(/\s+/)
    .map((one) => readLength(one) ?? NaN)
  const colour = flat(before.trim() || after.trim() || 'currentcolor', look)
  if (!colour || x === undefined || y === undefined || !(deviation >= 0)) return null
  return { x, y, deviation, color: colour.color, opacity: colour.alpha }
}

/** The steps that may make a shadow, and how often each may come. */
const STEPS: Readonly<Record<string, number>> = {
  feGaussianBlur: 1,
  feOffset: 1,
  feFlood: 2,
  feColorMatrix: 2,
  feComposite: 2,
  feMerge: 1,
  feBlend: 2,
  feDropShadow: 1,
}

function ofFilter({ children, attributes }: XmlElement, look: Look, document: Document): Cast | null {
  if (attributes.primitiveUnits === 'objectBoundingBox') return null
  const named = (name: string) => children.filter((one) => one.name === name)
  if (children.some(({ name }) => named(name).length > (STEPS[name] ?? 0))) return null
  const number = (one: XmlElement | undefined, key: string, otherwise: number) =>
    readNumbers(one?.attributes[key])[0] ?? otherwise
  const flood = (one: XmlElement) => {
    const own = lookOf(one, { ...INITIAL, color: look.color }, document.rules)
    const colour = flat(own['flood-color'], own)
    return colour && { color: colour.color, opacity: colour.alpha * share(own['flood-opacity']) }
  }
  const [whole] = named('feDropShadow')
  if (whole) {
    const colour = children.length === 1 ? flood(whole) : null
    return (
      colour && {
        x: number(whole, 'dx', 2),
        y: number(whole, 'dy', 2),
        deviation: number(whole, 'stdDeviation', 2),
        ...colour,
      }
    )
  }
  const [blur] = named('feGaussianBlur'),
    [offset] = named('feOffset')
  const colour = [...named('feFlood').map(flood), ...named('feColorMatrix').map(ofMatrix)].filter(
    (one) => one !== null && one.opacity > 0,
  )
  // The drawing itself has to come back over its shadow.
  const comesBack = children.some(({ name, attributes: own, children: nodes }) =>
    name === 'feBlend'
      ? own.in === 'SourceGraphic' && (own.mode ?? 'normal') === 'normal'
      : name === 'feMerge' && nodes.at(-1)?.attributes.in === 'SourceGraphic',
  )
  if (!blur || !comesBack || colour.length > 1) return null
  return {
    x: number(offset, 'dx', 0),
    y: number(offset, 'dy', 0),
    deviation: number(blur, 'stdDeviation', 0),
    ...(colour[0] ?? { color: '#000000', opacity: 1 }),
  }
}

/** A colour matrix that gives everything one colour and a share of its opacity; null where it does anything else. */
function ofMatrix({ attributes }: XmlElement): { color: string; opacity: number } | null {
  const m = readNumbers(attributes.values)
  if (m.length !== 20) return null
  const [r, g, b] = [m.slice(0, 5), m.slice(5, 10), m.slice(10, 15)].map((row) =>
    row.slice(0, 4).every((one) => one === 0) ? row[4]! : NaN,
  )
  const [, , , opacity] = m.slice(15)
  // One that makes alpha hard only prepares the steps after it.
  if (![r, g, b].every(Number.isFinite) || opacity === undefined || opacity > 1) return null
  const hex = [r, g, b].map((one) =>
    Math.round(255 * Math.min(1, Math.max(0, one!)))
      .toString(16)
      .padStart(2, '0'),
  )
  return { color: `#${hex.join('')}`, opacity }
}
