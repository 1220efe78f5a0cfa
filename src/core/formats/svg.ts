import { arcCentre } from '../geometry/arc'
import type { Path } from '../geometry/path'
import { evaluateAll } from '../drawing/evaluate'
import type { DrawingObject } from '../drawing/object'
import { type Run, runsOf, type Shape } from '../drawing/shape'
import type { NamedValues, ResolvedGradient, ResolvedPaint } from '../drawing/values'
import { rounded } from './number'
import { pathData, PRECISION } from './path-data'
import { type Attributes, attributes, definition, type Definition, gradientDefinition, type Ground, number, paintAttributes } from './svg-paint'

/** A drawing as an SVG document of one viewBox, without anything an editor would leave behind. `size` is the grid's. */
export function svgOf(objects: readonly DrawingObject[], values: NamedValues, size: number, ground: Ground = 'current'): string {
  return svgOfShapes(evaluateAll(objects, values), size, ground)
}

/** Resolved shapes as an SVG document. Attributes that all shapes share are written once, on the root. */
export function svgOfShapes(shapes: readonly Shape[], size: number, ground: Ground): string {
  const shared = sharedAttributes(shapes.map((shape) => paintOf(shape, ground)))
  const root = { xmlns: 'http://www.w3.org/2000/svg', width: `${size}`, height: `${size}`, viewBox: `0 0 ${size} ${size}`, ...shared }
  const writing: Writing = { ground, size, shared, without: attributes(shared), definitions: new Map() }
  const body = runsOf(shapes).map((run) => runText(run, writing)).join('')
  const definitions = [...writing.definitions.values()].join('')
  return `<svg${attributes(root)}>${definitions && `<defs>${definitions}</defs>`}${body}</svg>\n`
}

/** What is known while a document is written: the attributes its root has, and what it defines, by id. */
type Writing = { readonly ground: Ground; readonly size: number; readonly shared: Attributes; readonly without: string; readonly definitions: Map<string, string> }

function runText(run: Run, writing: Writing, opacity = 1): string {
  if (!('runs' in run)) return shapeText(run, writing, opacity)
  const { veil, runs } = run
  const [only, ...more] = runs
  if (!veil.mask && only && more.length === 0 && !('runs' in only)) return shapeText(only, writing, veil.opacity)
  const own: Attributes = { ...(veil.opacity < 1 && { opacity: number(veil.opacity) }), ...(veil.mask && { mask: `url(#${define(maskDefinition(veil.mask, writing), writing)})` }) }
  return `<g${attributes(own)}>${runs.map((one) => runText(one, writing)).join('')}</g>`
}

function define({ id, text }: Definition, { definitions }: Writing): string {
  definitions.set(id, text)
  return id
}

/** What the attributes of the root are where nothing is said (SVG 2, property index): a mask would have them from the root. */
const INITIAL: Attributes = { 'fill-opacity': '1', stroke: 'none', 'stroke-opacity': '1', 'stroke-width': '1', 'stroke-linecap': 'butt', 'stroke-linejoin': 'miter', 'stroke-miterlimit': '4', 'stroke-dasharray': 'none', 'stroke-dashoffset': '0' }

/** Shapes as a mask that lets through what they paint, as opaque as they are (CSS Masking 1 §6). */
function maskDefinition(shapes: readonly Shape[], writing: Writing): Definition {
  const { size, shared } = writing
  const initial = Object.fromEntries(Object.keys(shared).flatMap((key) => (key in INITIAL ? [[key, INITIAL[key]!]] : [])))
  const body = runsOf(shapes).map((run) => runText(run, { ...writing, shared: {}, without: '' })).join('')
  return definition('mask', { 'mask-type': 'alpha', maskUnits: 'userSpaceOnUse', x: '0', y: '0', width: `${size}`, height: `${size}`, ...initial }, body)
}

function shapeText(shape: Shape, writing: Writing, opacity: number): string {
  const { ground, shared, without } = writing
  for (const paint of [shape.fill, shape.stroke?.paint]) if (paint && isGradient(paint)) define(gradientDefinition(paint, ground), writing)
  const paints = paintOf(shape, ground)
  const known = written.get(paints)
  if (known?.without === without && opacity === 1) return known.text
  const own = Object.fromEntries(Object.entries(paints).filter(([key, value]) => shared[key] !== value))
  const { name, geometry } = element(shape.path)
  const text = `<${name}${attributes({ ...own, ...(opacity < 1 && { opacity: number(opacity) }), ...geometry })}/>`
  if (opacity === 1) written.set(paints, { without, text })
  return text
}

const isGradient = (paint: ResolvedPaint): paint is ResolvedGradient => 'kind' in paint

/** The text of a shape's element, by its paint attributes, which are its own; and which attributes it does without. */
const written = new WeakMap<Attributes, { readonly without: string; readonly text: string }>()

const paints: Record<Ground, WeakMap<Shape, Attributes>> = { current: new WeakMap(), light: new WeakMap(), dark: new WeakMap() }

/** The paint attributes of a shape on a ground, remembered for it: of a drawing in hand little changes from one moment to the next. */
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
