import { evaluateAll } from '../drawing/evaluate/evaluate'
import type { DrawingObject } from '../drawing/objects/object'
import type { Run, Shape } from '../drawing/scene/shape'
import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import type { NamedValues } from '../drawing/model/values'
import type { ResolvedGradient, ResolvedPaint } from '../drawing/model/resolved'
import type { Path } from '../geometry/path'
import { joinedShapes } from './compact'
import { compactPathData, type Painted, pathData } from '../formats/path-data'
import { type Attributes, attributes, type Element, markup, SVG, tag } from '../formats/markup'
import { type Ground, type Layer, type Picture, pictureOf, stated } from './picture'
import { dimmed, isLoneShape, writtenRuns } from './runs'
import {
  definition,
  type Definition,
  gradientDefinition,
  number,
  paintAttributes,
  roundOf,
  shadowDefinition,
} from './svg-paint'

/** A drawing as an SVG document of one viewBox, without anything an editor would leave behind. `size` is the grid's. */
export function svgOf(
  objects: readonly DrawingObject[],
  values: NamedValues,
  size: number,
  ground: Ground = 'current',
): string {
  return svgOfShapes(evaluateAll(objects, sceneOf(values)), size, ground)
}

/** Resolved shapes as an SVG document. Attributes that all shapes share are written once, on the root. */
export const svgOfShapes = (shapes: readonly Shape[], size: number, ground: Ground): string =>
  svgOfPicture(pictureOf(shapes, size, ground))

const documents = new WeakMap<Picture, string>()

/** A picture as an SVG document, remembered for it. */
export function svgOfPicture(picture: Picture): string {
  let text = documents.get(picture)
  if (text === undefined) documents.set(picture, (text = `${markup(svgElement(picture))}\n`))
  return text
}

/** A picture as the root element of an SVG document. */
export function svgElement(picture: Picture): Element {
  const { box, layers, ground, clip } = picture
  const [only, ...more] = layers
  if (only && more.length === 0 && !only.map && !clip) return drawingElement(only, ground, false)
  const parts = layers.flatMap((layer) => layerElements(layer, ground))
  const inside = clip
    ? [
        tag('defs', {}, [tag('clipPath', { id: 'cut' }, [tag('path', { d: pathData(clip) })])]),
        tag('g', { 'clip-path': 'url(#cut)' }, parts),
      ]
    : parts
  const viewBox = [box.x, box.y, box.w, box.h].map(number).join(' ')
  return tag('svg', { xmlns: SVG, width: number(box.w), height: number(box.h), viewBox }, inside)
}

/** The document of a drawing in as few characters as it takes: shapes of one paint as one path where that paints the same. */
export const compactElement = (shapes: readonly Shape[], size: number, ground: Ground): Element =>
  drawingElement({ shapes: joinedShapes(shapes, ground), size }, ground, true)

function drawingElement(layer: Layer, ground: Ground, isCompact: boolean): Element {
  const { size } = layer,
    { shared, inside } = written(layer, ground, isCompact)
  const root = { xmlns: SVG, width: `${size}`, height: `${size}`, viewBox: `0 0 ${size} ${size}`, ...shared }
  return tag('svg', root, inside)
}

function layerElements(layer: Layer, ground: Ground): readonly Element[] {
  if (layer.shapes.length === 0) return []
  const { shared, inside } = written(layer, ground, false)
  const own = { ...shared, ...(layer.map && { transform: `matrix(${layer.map.map(number).join(' ')})` }) }
  return Object.keys(own).length > 0 ? [tag('g', own, inside)] : inside
}

/** The elements of a layer's shapes, and the attributes that all of them share. */
function written({ shapes, size }: Layer, ground: Ground, isCompact: boolean) {
  const runs = writtenRuns(shapes, size)
  const shared = sharedAttributes(shapesIn(runs).map((shape) => paintOf(shape, ground)))
  const writing: Writing = { ground, size, shared, without: attributes(shared), definitions: new Map(), isCompact }
  const body = runs.map((run) => runElement(run, writing))
  const definitions = [...writing.definitions.values()]
  return { shared, inside: definitions.length > 0 ? [tag('defs', {}, definitions), ...body] : body }
}

/** State while a document is written: attributes of the root, and definitions by id. */
type Writing = {
  readonly ground: Ground
  readonly size: number
  readonly shared: Attributes
  readonly without: string
  readonly definitions: Map<string, Element>
  readonly isCompact: boolean
}

function runElement(run: Run, writing: Writing): Element {
  if (!('runs' in run)) return shapeElement(run, writing, 1)
  const { effect, runs } = run
  if (isLoneShape(run)) return shapeElement(runs[0] as Shape, writing, effect.opacity)
  const own: Attributes = {
    ...(effect.opacity < 1 && { opacity: number(effect.opacity) }),
    ...(effect.mask && { mask: `url(#${define(maskDefinition(effect.mask, writing), writing)})` }),
    ...(effect.shadow && {
      filter: `url(#${define(shadowDefinition(effect.shadow, writing.ground, writing.size), writing)})`,
    }),
  }
  return tag(
    'g',
    own,
    runs.map((one) => runElement(one, writing)),
  )
}

const shapesIn = (runs: readonly Run[]): Shape[] => runs.flatMap((run) => ('runs' in run ? shapesIn(run.runs) : [run]))

function define({ id, element }: Definition, { definitions }: Writing): string {
  definitions.set(id, element)
  return id
}

/**
 * What the attributes of the root are where nothing is said (SVG 2, property index): a mask would have them from the
 * root.
 */
const INITIAL: Attributes = {
  'fill-opacity': '1',
  stroke: 'none',
  'stroke-opacity': '1',
  'stroke-width': '1',
  'stroke-linecap': 'butt',
  'stroke-linejoin': 'miter',
  'stroke-miterlimit': '4',
  'stroke-dasharray': 'none',
  'stroke-dashoffset': '0',
}

/** A mask that clips by the opacity of shapes (CSS Masking 1 §6). */
function maskDefinition(shapes: readonly Shape[], writing: Writing): Definition {
  const { size, shared } = writing
  const initial = Object.fromEntries(
    Object.keys(shared).flatMap((key) => (key in INITIAL ? [[key, INITIAL[key]!]] : [])),
  )
  const body = writtenRuns(shapes, size, true).map((run) => runElement(run, { ...writing, shared: {}, without: '' }))
  return definition(
    'mask',
    {
      'mask-type': 'alpha',
      maskUnits: 'userSpaceOnUse',
      x: '0',
      y: '0',
      width: `${size}`,
      height: `${size}`,
      ...initial,
    },
    body,
  )
}

function shapeElement(shape: Shape, writing: Writing, opacity: number): Element {
  const { ground, shared, without } = writing
  for (const paint of [shape.fill, shape.stroke?.paint])
    if (paint && isGradient(paint)) define(gradientDefinition(paint, ground), writing)
  const paints = paintOf(shape, ground)
  const known = writing.isCompact ? undefined : elements.get(paints)
  if (known?.without === without && opacity === 1) return known.element
  const { name, geometry } = writing.isCompact ? compactlyDrawn(shape) : drawnAs(shape.path)
  // A shape of one paint is dimmed by that paint's opacity: nothing has to be painted as a layer for it.
  const dim = opacity < 1 ? dimmed(shape, opacity) : null
  const own = Object.fromEntries(
    Object.entries(dim ? paintAttributes(dim, ground) : paints).filter(([key, value]) => shared[key] !== value),
  )
  const element = tag(name, { ...own, ...(opacity < 1 && !dim && { opacity: number(opacity) }), ...geometry })
  if (opacity === 1 && !writing.isCompact) elements.set(paints, { without, element })
  return element
}

const isGradient = (paint: ResolvedPaint): paint is ResolvedGradient => 'kind' in paint

/** The element of a shape by its paint attributes, and the shared attributes that it leaves out. */
const elements = new WeakMap<Attributes, { readonly without: string; readonly element: Element }>()

const paints: Record<Ground, WeakMap<Shape, Attributes>> = {
  current: new WeakMap(),
  light: new WeakMap(),
  dark: new WeakMap(),
}

/**
 * The paint attributes of a shape on a ground, remembered for it: of a drawing in hand little changes from one moment
 * to the next.
 */
function paintOf(shape: Shape, ground: Ground): Attributes {
  let known = paints[ground].get(shape)
  if (!known) paints[ground].set(shape, (known = paintAttributes(shape, ground)))
  return known
}

/** The attributes that every shape has with the same value. */
function sharedAttributes(list: readonly Attributes[]): Attributes {
  const [first, ...rest] = list
  if (!first) return {}
  return Object.fromEntries(Object.entries(first).filter(([key, value]) => rest.every((other) => other[key] === value)))
}

type Drawn = { readonly name: string; readonly geometry: Attributes }

const outlines = new WeakMap<Path, Drawn>()

/** The element that draws a path, remembered for it. */
function drawnAs(path: Path): Drawn {
  let known = outlines.get(path)
  if (!known) outlines.set(path, (known = roundElement(path) ?? { name: 'path', geometry: { d: pathData(path) } }))
  return known
}

const paintedAs = (stroke: Shape['stroke']): Painted =>
  !stroke ? 'filled' : stroke.cap === 'round' && stroke.join === 'round' && !stroke.dash ? 'stroked round' : 'stroked'

/** The same in as few characters as it takes. */
const compactlyDrawn = ({ path, stroke }: Shape): Drawn =>
  roundElement(path) ?? { name: 'path', geometry: { d: compactPathData(path, paintedAs(stroke)) } }

/** A circle or upright ellipse element, where that is what the path is. */
function roundElement(path: Path): Drawn | null {
  const round = roundOf(path)
  if (!round) return null
  const { centre, rx, ry } = round,
    at = { cx: number(centre.x), cy: number(centre.y) }
  return stated(rx) === stated(ry)
    ? { name: 'circle', geometry: { ...at, r: number(rx) } }
    : { name: 'ellipse', geometry: { ...at, rx: number(rx), ry: number(ry) } }
}
