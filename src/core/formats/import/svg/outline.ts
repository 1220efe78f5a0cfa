import { PathDataError, readPathData } from '../../path-reader'
import { ellipse, type Path, polyline } from '../../../geometry/path'
import type { Box } from '../../../geometry/box'
import { line } from '../../../geometry/segment'
import { readLength, readNumbers } from './values'
import type { XmlElement } from './xml'

/** Outline of an element; whole shapes stay whole. Lengths in the element's own units. */
export type Outline =
  | ({ readonly kind: 'rectangle'; readonly rx: number; readonly ry: number } & Box)
  | { readonly kind: 'ellipse'; readonly cx: number; readonly cy: number; readonly rx: number; readonly ry: number }
  | { readonly kind: 'path'; readonly path: Path }

/** The elements that draw something. */
export const SHAPES: ReadonlySet<string> = new Set(['path', 'rect', 'circle', 'ellipse', 'line', 'polyline', 'polygon'])

/** Outline of an element; null if it draws nothing, a few words if it is invalid (SVG 2 §9.3, §10). */
export function outlineOf({ name, attributes }: XmlElement, view: Box, em: number): Outline | null | string {
  const diagonal = Math.hypot(view.w, view.h) / Math.SQRT2
  const length = (key: string, whole: number): number | undefined => {
    const text = attributes[key]
    return text === undefined || text === 'auto' ? undefined : (readLength(text, { em, whole }) ?? undefined)
  }
  const x = (key: string) => length(key, view.w) ?? 0,
    y = (key: string) => length(key, view.h) ?? 0
  switch (name) {
    case 'rect': {
      const w = x('width'),
        h = y('height')
      if (!(w > 0) || !(h > 0)) return null
      const own = [length('rx', view.w), length('ry', view.h)]
      const [rx = own[1] ?? 0, ry = own[0] ?? 0] = own
      return {
        kind: 'rectangle',
        x: x('x'),
        y: y('y'),
        w,
        h,
        rx: Math.min(Math.max(0, rx), w / 2),
        ry: Math.min(Math.max(0, ry), h / 2),
      }
    }
    case 'circle': {
      const r = length('r', diagonal) ?? 0
      return r > 0 ? { kind: 'ellipse', cx: x('cx'), cy: y('cy'), rx: r, ry: r } : null
    }
    case 'ellipse': {
      const own = [length('rx', view.w), length('ry', view.h)]
      const [rx = own[1] ?? 0, ry = own[0] ?? 0] = own
      return rx > 0 && ry > 0 ? { kind: 'ellipse', cx: x('cx'), cy: y('cy'), rx, ry } : null
    }
    case 'line': {
      const from = { x: x('x1'), y: y('y1') },
        to = { x: x('x2'), y: y('y2') }
      return { kind: 'path', path: [{ segments: [line(from, to)], closed: false }] }
    }
    case 'polyline':
    case 'polygon': {
      const numbers = readNumbers(attributes.points)
      if (numbers.length < 4)
        return numbers.length === 0 && attributes.points?.trim() ? 'its points are not numbers' : null
      const points = Array.from({ length: Math.floor(numbers.length / 2) }, (_, i) => ({
        x: numbers[2 * i]!,
        y: numbers[2 * i + 1]!,
      }))
      const contour = polyline(points, name === 'polygon')
      return contour.segments.length > 0 ? { kind: 'path', path: [contour] } : null
    }
    default:
      return readPath(attributes.d ?? '')
  }
}

/** Reads path data up to the first error (SVG 2 §9.5.2). */
function readPath(d: string): Outline | null | string {
  if (d.trim() === '' || d.trim() === 'none') return null
  try {
    const path = readPathData(d)
    return path.length > 0 ? { kind: 'path', path } : null
  } catch (error) {
    if (error instanceof PathDataError) return `its data is wrong: ${error.message}`
    throw error
  }
}

/** An outline as a path. */
export function pathOf(outline: Outline): Path {
  switch (outline.kind) {
    case 'path':
      return outline.path
    case 'ellipse':
      return [ellipse({ x: outline.cx, y: outline.cy }, outline.rx, outline.ry)]
    case 'rectangle': {
      const { x, y, w, h, rx, ry } = outline
      if (rx === 0 || ry === 0)
        return [
          polyline(
            [
              { x, y },
              { x: x + w, y },
              { x: x + w, y: y + h },
              { x, y: y + h },
            ],
            true,
          ),
        ]
      return readPathData(
        `M${x + rx} ${y}H${x + w - rx}A${rx} ${ry} 0 0 1 ${x + w} ${y + ry}V${y + h - ry}A${rx} ${ry} 0 0 1 ${x + w - rx} ${y + h}H${x + rx}A${rx} ${ry} 0 0 1 ${x} ${y + h - ry}V${y + ry}A${rx} ${ry} 0 0 1 ${x + rx} ${y}Z`,
      )
    }
  }
}
