import type { ResolvedColour, ResolvedGradient, ResolvedPaint } from '../../drawing/model/resolved'
import type { Shape, GroupEffect } from '../../drawing/scene/shape'
import { withStrokesOutlined } from '../../drawing/scene/stroke-outlines'
import { inkOfAll } from '../../drawing/scene/ink'
import { type Attributes, type Element, element, tag } from '../../formats/markup'
import { number } from '../../picture/svg-paint'
import { pathData } from '../../formats/path-data'
import { type Path, transformPath } from '../../geometry/path'
import { inverse, type Transform } from '../../geometry/transform'
import { isGradientPaint } from '../tone'
import { straightened } from './straightened'

/** By day or by night. */
type ThemeGround = 'light' | 'dark'

/** View of shapes in a vector drawable: its size on screen, its viewport, and the map of the shapes. */
type VectorView = {
  /** Its side on screen, in density-independent pixels. */
  readonly dp: number
  /** The side of its viewport, in units of the shapes. */
  readonly viewport: number
  /** Where the shapes lie in it: scaled about the origin, then moved. */
  readonly place?: { readonly scale: number; readonly x: number; readonly y: number }
  /** The reference of a colour that tints all of it. */
  readonly tint?: string
  /** Whether it is seen in the mirror where text runs from right to left. */
  readonly isMirrored?: boolean
  /** Whose colours it has. */
  readonly ground?: ThemeGround
}

/**
 * Shapes as a vector drawable (Android’s VectorDrawable): strokes stay strokes but for dashed ones, which it cannot draw,
 * arcs stay arcs, masks become clip paths. Soft shadows are left out.
 */
export function vectorDrawable(
  shapes: readonly Shape[],
  { dp, viewport, place, tint, isMirrored, ground = 'light' }: VectorView,
): string {
  const hasGradient = shapes.some(({ fill, stroke }) =>
    [fill, stroke?.paint].some((paint) => paint && isGradientPaint(paint)),
  )
  const root: Attributes = {
    'xmlns:android': 'http://schemas.android.com/apk/res/android',
    ...(hasGradient && { 'xmlns:aapt': 'http://schemas.android.com/aapt' }),
    'android:width': `${dp}dp`,
    'android:height': `${dp}dp`,
    'android:viewportWidth': number(viewport),
    'android:viewportHeight': number(viewport),
    ...(tint && { 'android:tint': tint }),
    ...(isMirrored && { 'android:autoMirrored': 'true' }),
  }
  const body = vectorElements(shapes, ground)
  return `<?xml version="1.0" encoding="utf-8"?>\n${lines(tag('vector', root, place ? placed(place, body) : body))}`
}

/** The elements of shapes within a vector drawable. */
export const vectorElements = (shapes: readonly Shape[], ground: ThemeGround = 'light'): Element[] =>
  shapes.flatMap((shape) => shapeElements(shape, ground))

/** An element as text, each element in a line of its own. */
const lines = ({ name, own, inside }: Element): string =>
  `${element(name, own, inside.length > 0 ? `\n${inside.map(lines).join('')}` : '')}\n`

function placed({ scale, x, y }: NonNullable<VectorView['place']>, body: readonly Element[]): readonly Element[] {
  const map: Attributes = {
    ...(scale !== 1 && { 'android:scaleX': fine(scale), 'android:scaleY': fine(scale) }),
    ...(x !== 0 && { 'android:translateX': fine(x) }),
    ...(y !== 0 && { 'android:translateY': fine(y) }),
  }
  return Object.keys(map).length > 0 ? [tag('group', map, body)] : body
}

const fine = (value: number): string => String(Math.round(value * 1e6) / 1e6)

function shapeElements(shape: Shape, ground: ThemeGround): Element[] {
  const { stroke, effect } = shape
  // What a stroke cannot be there, it is as an area.
  const isArea = stroke && (stroke.dash !== undefined || unevenIn(stroke.paint) !== null)
  const opacity = opacityOf(effect)
  const body = (isArea ? withStrokesOutlined([shape]) : [shape]).flatMap((part) => partElements(part, opacity, ground))
  return masksOf(effect).reduce(
    (inner, mask) => [tag('group', {}, [tag('clip-path', { 'android:pathData': pathData(mask) }), ...inner])],
    body,
  )
}

/** A shape; where both of its paints need another grid, fill and stroke one by one. */
const partElements = (shape: Shape, opacity: number, ground: ThemeGround): Element[] =>
  shape.fill && shape.stroke && unevenIn(shape.fill)
    ? [pathElement({ ...shape, stroke: null }, opacity, ground), pathElement({ ...shape, fill: null }, opacity, ground)]
    : [pathElement(shape, opacity, ground)]

function opacityOf(effect: GroupEffect | undefined): number {
  let opacity = 1
  for (let one: GroupEffect | null = effect ?? null; one; one = one.outer) opacity *= one.opacity
  return opacity
}

function masksOf(effect: GroupEffect | undefined): Path[] {
  const masks: Path[] = []
  for (let one: GroupEffect | null = effect ?? null; one; one = one.outer) if (one.mask) masks.push(inkOfAll(one.mask))
  return masks
}

/** What a gradient out of an ellipse is laid by; null of any other paint. */
const unevenIn = (paint: ResolvedPaint) =>
  isGradientPaint(paint) && paint.kind === 'radial' ? straightened(paint.map) : null

function pathElement({ path, fill, stroke }: Shape, opacity: number, ground: ThemeGround): Element {
  const uneven = fill && unevenIn(fill)
  const map: Attributes = { 'android:pathData': pathData(uneven ? transformPath(path, inverse(uneven.map)) : path) }
  const inner: Element[] = []
  const paint = (key: 'fill' | 'stroke', one: ResolvedPaint) => {
    const { hex, alpha } = isGradientPaint(one) ? { hex: null, alpha: one.opacity } : colourXml(one, ground)
    if (hex) map[`android:${key}Color`] = hex
    else
      inner.push(
        tag('aapt:attr', { name: `android:${key}Color` }, [
          gradientElement(one as ResolvedGradient, uneven?.map, ground),
        ]),
      )
    if (alpha * opacity < 1) map[`android:${key}Alpha`] = number(alpha * opacity)
  }
  if (fill) paint('fill', fill)
  if (stroke) {
    paint('stroke', stroke.paint)
    map['android:strokeWidth'] = number(stroke.width)
    if (stroke.cap !== 'butt') map['android:strokeLineCap'] = stroke.cap
    if (stroke.join !== 'miter') map['android:strokeLineJoin'] = stroke.join
    else if (stroke.miterLimit !== 4) map['android:strokeMiterLimit'] = number(stroke.miterLimit)
  }
  const drawn = tag('path', map, inner)
  if (!uneven) return drawn
  const { turn, sx, sy, x, y } = uneven
  return tag(
    'group',
    {
      ...(turn !== 0 && { 'android:rotation': fine(turn) }),
      'android:scaleX': fine(sx),
      'android:scaleY': fine(sy),
      'android:translateX': fine(x),
      'android:translateY': fine(y),
    },
    [drawn],
  )
}

/** A colour as six digits, and how opaque it is. */
function colourXml(colour: ResolvedColour, ground: ThemeGround): { hex: string; alpha: number } {
  const { [ground]: own, opacity } = colour
  return {
    hex: own.slice(0, 7).toUpperCase(),
    alpha: own.length === 9 ? (opacity * Number.parseInt(own.slice(7), 16)) / 255 : opacity,
  }
}

/** A gradient, seen in the unit circle where its ellipse is laid by a group. */
function gradientElement(gradient: ResolvedGradient, laid: Transform | undefined, ground: ThemeGround): Element {
  const items = gradient.stops.map(({ at, color }) => {
    const { hex, alpha } = colourXml(color, ground)
    const byte = Math.round(alpha * 255)
      .toString(16)
      .padStart(2, '0')
      .toUpperCase()
    return tag('item', {
      'android:offset': number(at),
      'android:color': alpha < 1 ? `#${byte}${hex.slice(1)}` : hex,
    })
  })
  if (gradient.kind === 'linear') {
    const { from, to } = gradient
    return tag(
      'gradient',
      {
        'android:type': 'linear',
        'android:startX': number(from.x),
        'android:startY': number(from.y),
        'android:endX': number(to.x),
        'android:endY': number(to.y),
      },
      items,
    )
  }
  const [a, b, , , e, f] = laid ? [1, 0, 0, 1, 0, 0] : gradient.map
  return tag(
    'gradient',
    {
      'android:type': 'radial',
      'android:centerX': number(e),
      'android:centerY': number(f),
      'android:gradientRadius': number(Math.hypot(a, b)),
    },
    items,
  )
}

/** Features of shapes that a vector drawable cannot show, in a few words; none if it shows all. */
export function leftOut(shapes: readonly Shape[]): string[] {
  const words = new Set<string>()
  for (const { fill, stroke, effect } of shapes) {
    for (const paint of [fill, stroke?.paint])
      if (paint && isGradientPaint(paint) && paint.kind === 'radial' && Math.hypot(paint.focus.x, paint.focus.y) > 1e-6)
        words.add('the focus of a gradient')
    for (let one: GroupEffect | null = effect ?? null; one; one = one.outer) if (one.shadow) words.add('a soft shadow')
  }
  return [...words]
}
