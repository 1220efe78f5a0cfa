import { arcCentre } from '../geometry/arc'
import type { Path } from '../geometry/path'
import { evaluateAll, type Shape } from '../drawing/evaluate'
import type { DrawingObject } from '../drawing/object'
import type { NamedValues, ResolvedPaint } from '../drawing/values'
import { rounded, shortNumber } from './number'
import { pathData, PRECISION } from './path-data'

/** Which colours are written: the delivered file's (`currentColor` for ink), or those for a light or a dark ground. */
export type Ground = 'current' | 'light' | 'dark'

/** A drawing as an SVG document of one viewBox, without anything an editor would leave behind. `size` is the grid's. */
export function svgOf(objects: readonly DrawingObject[], values: NamedValues, size: number, ground: Ground = 'current'): string {
  return svgOfShapes(evaluateAll(objects, values), size, ground)
}

/** Resolved shapes as an SVG document. Attributes that all shapes share are written once, on the root. */
export function svgOfShapes(shapes: readonly Shape[], size: number, ground: Ground): string {
  const paints = shapes.map((shape) => paintOf(shape, ground))
  const shared = sharedAttributes(paints)
  const root = { xmlns: 'http://www.w3.org/2000/svg', width: `${size}`, height: `${size}`, viewBox: `0 0 ${size} ${size}`, ...shared }
  const without = attributes(shared)
  const body = shapes.map((shape, i) => {
    const known = written.get(paints[i]!)
    if (known?.without === without) return known.text
    const own = Object.fromEntries(Object.entries(paints[i]!).filter(([key, value]) => shared[key] !== value))
    const { name, geometry } = element(shape.path)
    const text = `<${name}${attributes({ ...own, ...geometry })}/>`
    written.set(paints[i]!, { without, text })
    return text
  })
  return `<svg${attributes(root)}>${body.join('')}</svg>\n`
}

type Attributes = Record<string, string>

/** The text of a shape's element, by its paint attributes, which are its own; and which attributes it does without. */
const written = new WeakMap<Attributes, { readonly without: string; readonly text: string }>()

const painted: Record<Ground, WeakMap<Shape, Attributes>> = { current: new WeakMap(), light: new WeakMap(), dark: new WeakMap() }

/** The paint attributes of a shape on a ground, remembered for it: of a drawing in hand little changes from one moment to the next. */
function paintOf(shape: Shape, ground: Ground): Attributes {
  let known = painted[ground].get(shape)
  if (!known) painted[ground].set(shape, (known = paintAttributes(shape, ground)))
  return known
}

const attributes = (map: Attributes): string => Object.entries(map).map(([key, value]) => ` ${key}="${value}"`).join('')
const number = (value: number): string => shortNumber(value, PRECISION)

/** The attributes that every shape has with the same value. */
function sharedAttributes(list: readonly Attributes[]): Attributes {
  const [first, ...rest] = list
  if (!first) return {}
  return Object.fromEntries(Object.entries(first).filter(([key, value]) => rest.every((other) => other[key] === value)))
}

/** Attributes that repeat SVG's initial values are left out, except `fill`, whose absence means black. */
function paintAttributes({ fill, stroke }: Shape, ground: Ground): Attributes {
  const map: Attributes = { fill: 'none' }
  if (fill) paint(map, 'fill', fill, ground)
  if (stroke) {
    paint(map, 'stroke', stroke.paint, ground)
    map['stroke-width'] = number(stroke.width)
    map['stroke-linecap'] = stroke.cap
    map['stroke-linejoin'] = stroke.join
    if (stroke.join === 'miter' && stroke.miterLimit !== 4) map['stroke-miterlimit'] = number(stroke.miterLimit)
    for (const [key, initial] of [['stroke-width', '1'], ['stroke-linecap', 'butt'], ['stroke-linejoin', 'miter']] as const) {
      if (map[key] === initial) delete map[key]
    }
  }
  return map
}

function paint(map: Attributes, key: 'fill' | 'stroke', { light, dark, ink }: ResolvedPaint, ground: Ground): void {
  if (ink && ground === 'current') {
    map[key] = 'currentColor'
    return
  }
  const color = ground === 'dark' ? dark : light
  map[key] = shortColour(color.slice(0, 7))
  if (color.length === 9) map[`${key}-opacity`] = shortNumber(Number.parseInt(color.slice(7), 16) / 255, PRECISION)
}

/** `#aabbcc` as `#abc`. */
const shortColour = (color: string): string => color.replace(/^#(.)\1(.)\2(.)\3$/, '#$1$2$3')

type Element = { readonly name: string; readonly geometry: Attributes }

const elements = new WeakMap<Path, Element>()

/** The element that draws a path, remembered for it. */
function element(path: Path): Element {
  let known = elements.get(path)
  if (!known) elements.set(path, (known = roundElement(path) ?? { name: 'path', geometry: { d: pathData(path) } }))
  return known
}

/** A circle or upright ellipse element, where that is what the path is. */
function roundElement(path: Path): { name: string; geometry: Attributes } | null {
  const [first, second, ...more] = path.length === 1 ? path[0]!.segments : []
  if (more.length > 0 || first?.kind !== 'arc' || second?.kind !== 'arc') return null
  const a = arcCentre(first), b = arcCentre(second)
  const same = (p: number, q: number) => Math.abs(p - q) < 1e-9
  if (!same(a.centre.x, b.centre.x) || !same(a.centre.y, b.centre.y) || !same(a.rx, b.rx) || !same(a.ry, b.ry) || first.sweep !== second.sweep) return null
  const at = { cx: number(a.centre.x), cy: number(a.centre.y) }
  if (rounded(a.rx, PRECISION) === rounded(a.ry, PRECISION)) return { name: 'circle', geometry: { ...at, r: number(a.rx) } }
  return first.turn === 0 ? { name: 'ellipse', geometry: { ...at, rx: number(a.rx), ry: number(a.ry) } } : null
}
