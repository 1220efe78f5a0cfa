import type { DrawingObject } from '../../../drawing/objects/object'
import { transformPaint } from '../../../drawing/model/gradient'
import type { Style } from '../../../drawing/model/style'
import type { Box } from '../../../geometry/box'
import { type Path, pathBounds, transformPath } from '../../../geometry/path'
import { tidy } from '../../../geometry/tidy'
import type { Transform } from '../../../geometry/transform'
import { strokedArea } from '../../../outline/stroking'
import { type Ids, objectsOf, type Understanding } from '../objects'
import type { Look } from './look'
import { roundedBy } from './rounding'
import { type Document, readPaint } from './paint'
import { readLength, readNumbers } from './values'
import type { XmlElement } from './xml'

/** An element with its outline, in its own units; `map` leads to the square, `em` is its font size. */
type Shape = {
  readonly element: XmlElement
  readonly name: string
  readonly path: Path
  readonly look: Look
  readonly map: Transform
  readonly view: Box
  readonly em: number
}

/** Settings of the conversion to objects, and the receiver of unsupported features. */
type Reader = {
  readonly document: Document
  readonly how: Understanding
  readonly within: number
  readonly ids: Ids
  readonly say: (what: string, why: string) => void
}

/** The objects that a shape draws with its paints and its stroke; none where it paints nothing. */
export function drawnShape(
  { element, name, path, look, map, view, em }: Shape,
  { document, how, within: exact, ids, say }: Reader,
): DrawingObject[] {
  const box = pathBounds(path)
  const fill = readPaint('fill', look, box, document),
    stroke = readPaint('stroke', look, box, document)
  for (const { unread } of [fill, stroke]) if (unread) say(`${element.name}, paint`, `${unread} is not read`)
  // Lines that are all in one straight line have no area.
  const isFlat =
    element.name === 'line' || path.every(({ segments }) => segments.length === 1 && segments[0]!.kind === 'line')
  const paints = fill.paint !== 'none' && fill.opacity > 0 && !isFlat,
    strokes = stroke.paint !== 'none' && stroke.opacity > 0
  if (!paints && !strokes) return []
  const k = Math.sqrt(Math.abs(map[0] * map[3] - map[1] * map[2]))
  if (!(k > 0)) return []
  const within = Math.max(exact, roundedBy(element.attributes['d'], k, exact))
  const weight = readLength(look['stroke-width'], { em, whole: Math.hypot(view.w, view.h) / Math.SQRT2 }) ?? 1
  const hasStroke = strokes && weight > 0
  if (!paints && !hasStroke) return []
  const isEven =
    Math.abs(map[0] ** 2 + map[1] ** 2 - map[2] ** 2 - map[3] ** 2) < 1e-6 * k * k &&
    Math.abs(map[0] * map[2] + map[1] * map[3]) < 1e-6 * k * k
  const keeps = look['vector-effect'] === 'non-scaling-stroke'
  const there = transformPath(path, map)
  const dash = look['stroke-dasharray'] === 'none' ? [] : readNumbers(look['stroke-dasharray']).map(Math.abs)
  const line = {
    cap: (['butt', 'round', 'square'] as const).find((one) => one === look['stroke-linecap']) ?? 'butt',
    join: (['miter', 'round', 'bevel'] as const).find((one) => one === look['stroke-linejoin']) ?? 'miter',
    miterLimit: Math.min(100, Math.max(1, Number(look['stroke-miterlimit']) || 4)),
  } as const
  const dashes = dash.length > 0 && dash.length <= 12 && dash.some((length) => length > 0)
  const fillStyle = paints
    ? { fill: transformPaint(fill.paint, map), ...(fill.opacity < 1 && { fillOpacity: tidy(fill.opacity) }) }
    : { fill: 'none' as const }
  const rule = look['fill-rule'] === 'evenodd' ? 'evenodd' : 'nonzero'
  if (hasStroke && (isEven || keeps)) {
    const by = keeps ? 1 : k
    const style: Style = {
      ...fillStyle,
      stroke: transformPaint(stroke.paint, map),
      ...(stroke.opacity < 1 && { strokeOpacity: tidy(stroke.opacity) }),
      weight: Math.min(1000, tidy(weight * by)),
      ...line,
      ...(dashes && { dash: dash.map((length) => Math.min(1000, tidy(length * by))) }),
      ...(dashes &&
        Number(look['stroke-dashoffset']) && { dashOffset: tidy((readLength(look['stroke-dashoffset']) ?? 0) * by) }),
      ...(paints && isStrokeFirst(look['paint-order']) && { strokeFirst: true as const }),
    }
    return objectsOf({ path: there, style, rule, name }, how, within, ids)
  }
  const filled = paints
    ? objectsOf({ path: there, style: { ...fillStyle, stroke: 'none', weight: 1 }, rule, name }, how, within, ids)
    : []
  if (!hasStroke) return filled
  // A stroke that is drawn out of shape is an area.
  const area = transformPath(
    strokedArea(path, {
      width: weight,
      ...line,
      ...(dashes && { dash, dashOffset: readLength(look['stroke-dashoffset']) ?? 0 }),
    }),
    map,
  )
  const style: Style = {
    fill: transformPaint(stroke.paint, map),
    ...(stroke.opacity < 1 && { fillOpacity: tidy(stroke.opacity) }),
    stroke: 'none',
    weight: 1,
  }
  say(element.name, 'its stroke is scaled unevenly: it became an outline')
  return [...filled, ...objectsOf({ path: area, style, rule: 'nonzero', name: `${name} stroke` }, how, within, ids)]
}

const isStrokeFirst = (order: string): boolean => {
  const words = order.split(/\s+/)
  const at = words.indexOf('stroke')
  return at >= 0 && (words.indexOf('fill') < 0 || at < words.indexOf('fill'))
}
