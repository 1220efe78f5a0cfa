import { arcCentre } from '../geometry/arc'
import { type Path, pathBounds, polyline } from '../geometry/path'
import { clipped } from '../drawing/kinds/group/clip'
import { evaluateAll } from '../drawing/evaluate/evaluate'
import type { DrawingObject } from '../drawing/model/object'
import { type Run, runsOf, type Shape } from '../drawing/evaluate/shape'
import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import type { NamedValues } from '../drawing/model/values'
import { type ResolvedGradient, type ResolvedPaint, withOpacity } from '../drawing/evaluate/resolved'
import { rounded } from './number'
import { joinedShapes } from './compact'
import { compactPathData, type Painted, pathData, PRECISION } from './path-data'
import { type Attributes, attributes, element, SVG } from './markup'
import {
  definition,
  type Definition,
  gradientDefinition,
  type Ground,
  number,
  paintAttributes,
  shadowDefinition,
} from './svg-paint'
import { SAME_POINT } from '../geometry/tolerance'

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
export function svgOfShapes(shapes: readonly Shape[], size: number, ground: Ground): string {
  return documentOf(shapes, size, ground, false)
}

/** The same in as few characters as it takes: shapes of one paint as one path where that paints the same. */
export const compactSvg = (shapes: readonly Shape[], size: number, ground: Ground): string =>
  documentOf(joinedShapes(shapes, ground), size, ground, true).trimEnd()

function documentOf(shapes: readonly Shape[], size: number, ground: Ground, isCompact: boolean): string {
  const runs = runsOf(shapes).flatMap((run) => ('runs' in run && !isPlain(run) ? seenRuns([run], size) : [run]))
  const shared = sharedAttributes(shapesIn(runs).map((shape) => paintOf(shape, ground)))
  const root = {
    xmlns: SVG,
    width: `${size}`,
    height: `${size}`,
    viewBox: `0 0 ${size} ${size}`,
    ...shared,
  }
  const writing: Writing = { ground, size, shared, without: attributes(shared), definitions: new Map(), isCompact }
  const body = runs.map((run) => runText(run, writing)).join('')
  const definitions = [...writing.definitions.values()].join('')
  return `${element('svg', root, (definitions && element('defs', {}, definitions)) + body)}\n`
}

/** State while a document is written: attributes of the root, and definitions by id. */
type Writing = {
  readonly ground: Ground
  readonly size: number
  readonly shared: Attributes
  readonly without: string
  readonly definitions: Map<string, string>
  readonly isCompact: boolean
}

function runText(run: Run, writing: Writing, opacity = 1): string {
  if (!('runs' in run)) return shapeText(run, writing, opacity)
  const { effect, runs } = run
  const [only, ...more] = runs
  if (!effect.mask && !effect.shadow && only && more.length === 0 && !('runs' in only))
    return shapeText(only, writing, effect.opacity)
  const own: Attributes = {
    ...(effect.opacity < 1 && { opacity: number(effect.opacity) }),
    ...(effect.mask && { mask: `url(#${define(maskDefinition(effect.mask, writing), writing)})` }),
    ...(effect.shadow && {
      filter: `url(#${define(shadowDefinition(effect.shadow, writing.ground, writing.size), writing)})`,
    }),
  }
  return element('g', own, runs.map((one) => runText(one, writing)).join(''))
}

const shapesIn = (runs: readonly Run[]): Shape[] => runs.flatMap((run) => ('runs' in run ? shapesIn(run.runs) : [run]))

/** True for a shape of one paint that is merely dimmed, for which nothing has to be painted as a layer. */
function isPlain({ effect, runs: [only, ...more] }: Exclude<Run, Shape>): boolean {
  return (
    !effect.mask &&
    !effect.shadow &&
    more.length === 0 &&
    only !== undefined &&
    !('runs' in only) &&
    !(only.fill && only.stroke)
  )
}

/**
 * Runs as layers, clipped near the square. One rasteriser in wide use crashes on a layer that covers nothing of its
 * picture, or on a nested one with a distant origin.
 */
function seenRuns(runs: readonly Run[], size: number, isCut = false): Run[] {
  return runs.flatMap((run): Run[] => {
    if (!('runs' in run)) return seenShapes(run, size, isCut)
    const holdsLayers =
      isCut || run.effect.shadow !== undefined || run.runs.some((one) => 'runs' in one && !isPlain(one))
    const inner = seenRuns(run.runs, size, holdsLayers)
    return inner.length > 0 ? [{ ...run, runs: inner }] : []
  })
}

function seenShapes(shape: Shape, size: number, isCut: boolean): Shape[] {
  const { path, stroke } = shape,
    box = pathBounds(path)
  if (!box) return []
  const by = stroke ? (stroke.width / 2) * Math.max(Math.SQRT2, stroke.join === 'miter' ? stroke.miterLimit : 1) : 0
  const x = box.x - by,
    y = box.y - by,
    right = box.x + box.w + by,
    low = box.y + box.h + by
  if (x > size || y > size || right < 0 || low < 0) return []
  const far = 0.9 * size,
    end = size + far
  if (!isCut || (x >= -far && y >= -far && right <= end && low <= end)) return [shape]
  return clipped(
    [shape],
    [
      polyline(
        [
          { x: -far, y: -far },
          { x: end, y: -far },
          { x: end, y: end },
          { x: -far, y: end },
        ],
        true,
      ),
    ],
    'inside',
  )
}

function define({ id, text }: Definition, { definitions }: Writing): string {
  definitions.set(id, text)
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
  const body = seenRuns(runsOf(shapes), size, true)
    .map((run) => runText(run, { ...writing, shared: {}, without: '' }))
    .join('')
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

function shapeText(shape: Shape, writing: Writing, opacity: number): string {
  const { ground, shared, without } = writing
  for (const paint of [shape.fill, shape.stroke?.paint])
    if (paint && isGradient(paint)) define(gradientDefinition(paint, ground), writing)
  const paints = paintOf(shape, ground)
  const known = writing.isCompact ? undefined : written.get(paints)
  if (known?.without === without && opacity === 1) return known.text
  const { name, geometry } = writing.isCompact ? compactElement(shape) : drawnAs(shape.path)
  // A shape of one paint is dimmed by that paint's opacity: nothing has to be painted as a layer for it.
  const dimmed = opacity < 1 && !(shape.fill && shape.stroke) ? paintAttributes(faded(shape, opacity), ground) : null
  const own = Object.fromEntries(Object.entries(dimmed ?? paints).filter(([key, value]) => shared[key] !== value))
  const text = element(name, { ...own, ...(opacity < 1 && !dimmed && { opacity: number(opacity) }), ...geometry })
  if (opacity === 1 && !writing.isCompact) written.set(paints, { without, text })
  return text
}

const faded = ({ fill, stroke }: Shape, opacity: number) => ({
  fill: fill && withOpacity(fill, opacity),
  stroke: stroke && { ...stroke, paint: withOpacity(stroke.paint, opacity) },
})

const isGradient = (paint: ResolvedPaint): paint is ResolvedGradient => 'kind' in paint

/** The text of a shape's element, by its paint attributes, which are its own; and which attributes it does without. */
const written = new WeakMap<Attributes, { readonly without: string; readonly text: string }>()

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

const elements = new WeakMap<Path, Drawn>()

/** The element that draws a path, remembered for it. */
function drawnAs(path: Path): Drawn {
  let known = elements.get(path)
  if (!known) elements.set(path, (known = roundElement(path) ?? { name: 'path', geometry: { d: pathData(path) } }))
  return known
}

const paintedAs = (stroke: Shape['stroke']): Painted =>
  !stroke ? 'filled' : stroke.cap === 'round' && stroke.join === 'round' && !stroke.dash ? 'stroked round' : 'stroked'

/** The same in as few characters as it takes. */
const compactElement = ({ path, stroke }: Shape): Drawn =>
  roundElement(path) ?? { name: 'path', geometry: { d: compactPathData(path, paintedAs(stroke)) } }

/** A circle or upright ellipse element, where that is what the path is. */
function roundElement(path: Path): { name: string; geometry: Attributes } | null {
  const [first, second, ...more] = path.length === 1 ? path[0]!.segments : []
  if (more.length > 0 || first?.kind !== 'arc' || second?.kind !== 'arc') return null
  const a = arcCentre(first),
    b = arcCentre(second)
  const same = (p: number, q: number) => Math.abs(p - q) < SAME_POINT
  if (
    !same(a.centre.x, b.centre.x) ||
    !same(a.centre.y, b.centre.y) ||
    !same(a.rx, b.rx) ||
    !same(a.ry, b.ry) ||
    first.sweep !== second.sweep
  )
    return null
  const at = { cx: number(a.centre.x), cy: number(a.centre.y) }
  if (rounded(a.rx, PRECISION) === rounded(a.ry, PRECISION))
    return { name: 'circle', geometry: { ...at, r: number(a.rx) } }
  return first.turn === 0 ? { name: 'ellipse', geometry: { ...at, rx: number(a.rx), ry: number(a.ry) } } : null
}
