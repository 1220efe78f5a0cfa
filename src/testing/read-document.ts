import { ellipse, type Path, transformPath } from '../core/geometry/path'
import { compose, IDENTITY, inverse, type Transform } from '../core/geometry/transform'
import { strokeBands, strokedArea } from '../core/outline/stroking'
import type { Stroke } from '../core/outline/line-style'
import {
  type Area,
  type Colour,
  filledArea,
  type Group,
  type Item,
  type Paint,
  type Shadow,
} from '../core/raster/items'
import type { Picture } from '../core/raster/raster'
import type { Element } from '../core/formats/markup'
import { elementsOf } from './elements-of'
import { readPathData } from '../core/formats/path-reader'

/** Context of an element: inherited values, its map, and definitions by id. */
type Inherited = {
  readonly look: Readonly<Record<string, string>>
  readonly map: Transform
  readonly defined: ReadonlyMap<string, Element>
}

/**
 * Parses a document written by this program (`svg.ts` and targets) to a picture. Strokes become their areas. Throws for
 * other documents.
 */
export function readDocument(svg: string): Picture {
  const root = elementsOf(svg)
  const [x, y, w, h] = numbers(root.own.viewBox)
  if (root.name !== 'svg' || h === undefined) throw new Error('The document has no square that is seen.')
  const defined = new Map(definitionsIn(root).map((element) => [element.own.id!, element]))
  const rootLook = inherited({}, root)
  return {
    box: { x: x!, y: y!, w: w!, h },
    items: itemsIn(root.inside, { look: rootLook, map: IDENTITY, defined }, rootLook),
  }
}

const definitionsIn = ({ inside }: Element): Element[] =>
  inside.flatMap((element) => [...(element.own.id ? [element] : []), ...definitionsIn(element)])

const numbers = (text = ''): number[] => text.split(/[\s,]+/).map(Number)

const INHERITED = /^(?:fill|stroke)(?:-|$)/

const inherited = (look: Inherited['look'], { own }: Element): Inherited['look'] => ({
  ...look,
  ...Object.fromEntries(Object.entries(own).filter(([key]) => INHERITED.test(key))),
})

const itemsIn = (elements: readonly Element[], place: Inherited, root: Inherited['look']): Item[] =>
  elements.flatMap((element) => itemsOf(element, place, root))

function itemsOf(element: Element, outer: Inherited, root: Inherited['look']): Item[] {
  const { name, own } = element
  const place: Inherited = {
    ...outer,
    look: inherited(outer.look, element),
    map: own.transform ? compose(outer.map, matrix(own.transform)) : outer.map,
  }
  switch (name) {
    case 'defs':
      return []
    case 'g':
      return grouped(itemsIn(element.inside, place, root), own, place, root)
    case 'path':
    case 'circle':
    case 'ellipse':
      return grouped(painted(element, place), own, place, root)
    default:
      throw new Error(`“${name}” is nothing that is painted here.`)
  }
}

function matrix(text: string): Transform {
  const [, inside] = /^matrix\(([^)]*)\)$/.exec(text) ?? []
  const map = numbers(inside)
  if (map.length !== 6 || !map.every(Number.isFinite)) throw new Error(`“${text}” is no map that is read here.`)
  return map as unknown as Transform
}

/** Items as one where their element says so: its opacity, mask, outline and shadow. */
function grouped(items: Item[], own: Element['own'], place: Inherited, root: Inherited['look']): Item[] {
  const opacity = Number(own.opacity ?? 1)
  const shadow = own.filter ? shadowOf(named(own.filter, place), place) : null
  const masks = [own.mask, own['clip-path']].flatMap((reference) =>
    reference ? [maskOf(named(reference, place), place, root)] : [],
  )
  if (items.length === 0 || (opacity === 1 && masks.length === 0 && !shadow)) return items
  const [first = null, ...more] = masks
  const inner: Group = { kind: 'group', items, opacity, mask: first, shadow }
  return [
    more.reduce<Group>((group, mask) => ({ kind: 'group', items: [group], opacity: 1, mask, shadow: null }), inner),
  ]
}

function named(reference: string, { defined }: Inherited): Element {
  const [, id = ''] = /^url\(#(.*)\)$/.exec(reference) ?? []
  const element = defined.get(id)
  if (!element) throw new Error(`“${reference}” is not defined.`)
  return element
}

/** What a mask, or an outline that cuts, lets through. */
function maskOf(element: Element, place: Inherited, root: Inherited['look']): Item[] {
  if (element.name === 'mask') return itemsIn(element.inside, { ...place, look: inherited(root, element) }, root)
  if (element.name !== 'clipPath') throw new Error(`“${element.name}” is nothing that masks.`)
  return element.inside.map((one) =>
    filledArea(transformPath(pathOf(one), place.map), { kind: 'flat', colour: [0, 0, 0, 1] }),
  )
}

/** A soft shadow; objects outside the filter region cast one too, as in browsers. */
function shadowOf({ inside }: Element, { map }: Inherited): Shadow {
  const steps = ['feGaussianBlur', 'feOffset', 'feFlood', 'feComposite', 'feMerge']
  if (inside.map(({ name }) => name).join() !== steps.join()) throw new Error('Only soft shadows are read.')
  const [blur, offset, flood] = inside as [Element, Element, Element],
    scale = Math.hypot(map[0], map[1])
  const part = (text: string | undefined) => Number(text ?? 0) * scale
  return {
    x: part(offset.own.dx),
    y: part(offset.own.dy),
    deviation: part(blur.own.stdDeviation),
    colour: colourOf(flood.own['flood-color'], Number(flood.own['flood-opacity'] ?? 1)),
  }
}

/** The areas of a shape: its fill, and over it what its stroke paints. */
function painted(element: Element, place: Inherited): Item[] {
  const { look, map } = place,
    path = pathOf(element)
  const there = (one: Path) => (map === IDENTITY ? one : transformPath(one, map))
  const fill = paintOf('fill', place),
    stroke = paintOf('stroke', place)
  return [
    ...(fill ? [filledArea(there(path), fill)] : []),
    ...(stroke ? [strokeArea(path, element, look, stroke, there)] : []),
  ]
}

/** What a stroke paints, as its bands, or as its outline where those fail. */
function strokeArea(
  path: Path,
  element: Element,
  look: Inherited['look'],
  paint: Paint,
  there: (one: Path) => Path,
): Area {
  const stroke = strokeOf(look)
  const key = [geometryOf(element), ...Object.values(stroke)].join()
  const outline = () => there(remembered(key, () => strokedArea(path, stroke)))
  return filledArea(there(remembered(`${key} bands`, () => strokeBands(path, stroke))), paint, outline)
}

const pathOf = (element: Element): Path => remembered(geometryOf(element), () => newPath(element))

function newPath({ name, own }: Element): Path {
  if (name === 'path') return readPathData(own.d ?? '')
  const rx = Number(own.r ?? own.rx),
    ry = Number(own.r ?? own.ry)
  return [ellipse({ x: Number(own.cx ?? 0), y: Number(own.cy ?? 0) }, rx, ry)]
}

/** Cache of outlines by their path data: the grounds of a large icon differ in colours alone. */
const MOST = 512
const outlines = new Map<string, Path>()

function remembered(key: string, make: () => Path): Path {
  let known = outlines.get(key)
  if (!known) {
    if (outlines.size === MOST) outlines.delete(outlines.keys().next().value!)
    outlines.set(key, (known = make()))
  }
  return known
}

/** What an element says of its outline. */
const geometryOf = ({ name, own }: Element): string => [name, own.d, own.cx, own.cy, own.r, own.rx, own.ry].join()

function strokeOf(look: Inherited['look']): Stroke {
  return {
    width: Number(look['stroke-width'] ?? 1),
    cap: (look['stroke-linecap'] ?? 'butt') as Stroke['cap'],
    join: (look['stroke-linejoin'] ?? 'miter') as Stroke['join'],
    miterLimit: Number(look['stroke-miterlimit'] ?? 4),
    ...(look['stroke-dasharray'] &&
      look['stroke-dasharray'] !== 'none' && {
        dash: numbers(look['stroke-dasharray']),
        dashOffset: Number(look['stroke-dashoffset'] ?? 0),
      }),
  }
}

function paintOf(key: 'fill' | 'stroke', place: Inherited): Paint | null {
  const { look } = place,
    text = look[key] ?? (key === 'fill' ? '#000' : 'none')
  if (text === 'none') return null
  const opacity = Number(look[`${key}-opacity`] ?? 1)
  return text.startsWith('url(')
    ? gradientOf(named(text, place), opacity, place)
    : { kind: 'flat', colour: colourOf(text, opacity) }
}

/** Parses a colour; currentColor is black. */
function colourOf(text = '#000', opacity: number): Colour {
  if (text === 'currentColor') return [0, 0, 0, opacity]
  const digits = /^#([\da-f]{3}|[\da-f]{6})$/i.exec(text)?.[1]
  if (!digits) throw new Error(`“${text}” is no colour that is read here.`)
  const wide = digits.length === 3 ? digits.replace(/./g, '$&$&') : digits
  const part = (at: number) => Number.parseInt(wide.slice(at, at + 2), 16) / 255
  return [part(0), part(2), part(4), opacity]
}

function gradientOf({ name, own, inside }: Element, opacity: number, { map }: Inherited): Paint {
  const stops = inside.map((stop) => ({
    at: Number(stop.own.offset ?? 0),
    colour: colourOf(stop.own['stop-color'], Number(stop.own['stop-opacity'] ?? 1)),
  }))
  const at = (key: string) => Number(own[key] ?? 0)
  // A gradient of no length is its last colour (SVG 2 §14.2.2).
  const last: Paint = { kind: 'flat', colour: withAlpha(stops.at(-1)!.colour, opacity) }
  if (name === 'linearGradient') {
    const dx = at('x2') - at('x1'),
      dy = at('y2') - at('y1')
    if (dx === 0 && dy === 0) return last
    return { kind: 'linear', stops, opacity, map: inverse(compose(map, [dx, dy, -dy, dx, at('x1'), at('y1')])) }
  }
  if (name !== 'radialGradient') throw new Error(`“${name}” is no paint that is read here.`)
  const r = at('r')
  if (r === 0) return last
  const moved = own.gradientTransform ? matrix(own.gradientTransform) : IDENTITY
  const focus = (key: 'x' | 'y') => (Number(own[`f${key}`] ?? at(`c${key}`)) - at(`c${key}`)) / r
  return {
    kind: 'radial',
    stops,
    opacity,
    map: inverse(compose(compose(map, moved), [r, 0, 0, r, at('cx'), at('cy')])),
    focus: [focus('x'), focus('y')],
  }
}

const withAlpha = ([r, g, b, a]: Colour, opacity: number): Colour => [r, g, b, a * opacity]
