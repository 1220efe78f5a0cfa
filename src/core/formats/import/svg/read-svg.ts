import type { DrawingObject } from '../../../drawing/model/object'
import type { Style } from '../../../drawing/model/style'
import { transformPaint } from '../../../drawing/model/gradient'
import { type Box, boxInside } from '../../../geometry/box'
import { pathBounds, transformPath } from '../../../geometry/path'
import { compose, IDENTITY, type Transform } from '../../../geometry/transform'
import { tidy } from '../../../geometry/tidy'
import { strokedArea } from '../../../outline/stroking'
import { counting, type Ids, objectsOf, type Understanding } from '../objects'
import { MOST, type Unread, Unreadable } from '../reading'
import { readStyleSheet, type StyleRule } from './css'
import { INITIAL, type Look, lookOf } from './look'
import { outlineOf, pathOf, SHAPES } from './outline'
import { type Document, hrefOf, readPaint, share } from './paint'
import { linkIn, readLength, readNumbers, readTransform } from './values'
import { fitted, rootView, viewBoxOf } from './viewport'
import { parseXml, type XmlElement } from './xml'

/** A file as a drawing in a square: its side in the file's units, what is drawn, and what is not. */
type ReadSvg = {
  readonly side: number
  readonly objects: readonly DrawingObject[]
  readonly unread: readonly Unread[]
  readonly title: string | null
}

/** How far a live shape may lie from what it stands for, as a share of the square: 0.002 units of 24. */
const WITHIN = 0.002 / 24

/** Elements that draw nothing by themselves. */
const SILENT = new Set([
  'defs',
  'title',
  'desc',
  'metadata',
  'style',
  'symbol',
  'linearGradient',
  'radialGradient',
  'clipPath',
  'mask',
  'marker',
  'filter',
  'pattern',
])

/** Elements that are listed, not drawn, and why. */
const LISTED: Readonly<Record<string, string>> = {
  text: 'text is not read; turn it into outlines where it was drawn',
  image: 'pictures of pixels are not read',
  foreignObject: 'foreign content is not read',
  script: 'scripts are never taken over',
  animate: 'animations are not read',
  animateTransform: 'animations are not read',
  animateMotion: 'animations are not read',
  set: 'animations are not read',
  video: 'films are not read',
  audio: 'sounds are not read',
}

/** Where an element is read: its parent's look, the map to the square, the place percentages are of, and how often `use` led here. */
type Place = { readonly look: Look; readonly map: Transform; readonly view: Box; readonly uses: readonly XmlElement[] }

/** Reads the text of an SVG document (SVG 2) into a square that its view box is centred in. Throws `Unreadable`. */
export const readSvg = (text: string, how: Understanding = 'live'): ReadSvg => readSvgRoot(parseXml(text), how)

/** Reads an SVG document by its root element. Throws `Unreadable`. */
export function readSvgRoot(root: XmlElement, how: Understanding): ReadSvg {
  if (root.name !== 'svg') throw new Unreadable(`The file is no SVG: its first element is “${root.name.slice(0, 40)}”.`)
  const view = rootView(root) ?? { x: 0, y: 0, w: 24, h: 24 }
  const reading = new Reading(root, view, how)
  const side = Math.max(view.w, view.h)
  const map: Transform = [1, 0, 0, 1, (side - view.w) / 2 - view.x, (side - view.h) / 2 - view.y]
  if (!rootView(root)) reading.say('svg', 'it says no size, so 24 × 24 was taken')
  const objects = reading.children(root, { look: lookOf(root, INITIAL, reading.document.rules), map, view, uses: [] })
  const title = root.children.find(({ name }) => name === 'title')?.text.trim()
  return { side, objects, unread: reading.unread, title: title || null }
}

class Reading {
  readonly document: Document
  private readonly said = new Map<string, Unread>()
  private readonly ids: Ids = counting()
  private readonly side: number
  private shapes = 0

  constructor(
    root: XmlElement,
    view: Box,
    private readonly how: Understanding,
  ) {
    this.side = Math.max(view.w, view.h)
    const byId = new Map<string, XmlElement>(),
      rules: StyleRule[] = []
    const visit = (element: XmlElement) => {
      const { id } = element.attributes
      if (id !== undefined && !byId.has(id)) byId.set(id, element)
      if (element.name === 'style') {
        const sheet = readStyleSheet(element.text)
        rules.push(...sheet.rules)
        for (const what of sheet.unread) this.say(what, 'this part of a style sheet is not read')
      }
      element.children.forEach(visit)
    }
    visit(root)
    this.document = { byId, rules }
  }

  get unread(): readonly Unread[] {
    return [...this.said.values()]
  }

  /** Notes what is not read, each once. */
  say(what: string, why: string): void {
    this.said.set(`${what} ${why}`, { what, why })
  }

  children(element: XmlElement, place: Place): DrawingObject[] {
    return element.children.flatMap((child) => this.element(child, place))
  }

  /** The objects of an element; none where it draws nothing. */
  private element(element: XmlElement, place: Place): DrawingObject[] {
    const { name } = element
    if (SILENT.has(name) || name.includes(':')) return []
    if (Object.hasOwn(LISTED, name)) {
      this.say(name, LISTED[name]!)
      return []
    }
    const look = lookOf(element, place.look, this.document.rules)
    if (look.display === 'none') return []
    const own = readTransform(look.transform)
    if (!own) this.say(`the transform of ${name}`, `“${look.transform.slice(0, 40)}” is not understood`)
    const within: Place = { ...place, look, map: compose(place.map, own ?? IDENTITY) }
    if (look.filter !== 'none') this.say('filter', 'filters are not read')
    if (look['mix-blend-mode'] !== 'normal') this.say('mix-blend-mode', 'blending is not read')
    const drawn = this.drawn(element, within)
    if (drawn.length === 0) return []
    return this.masked(this.dimmed(drawn, look, name), element, within)
  }

  private drawn(element: XmlElement, place: Place): DrawingObject[] {
    if (SHAPES.has(element.name)) return this.shape(element, place)
    switch (element.name) {
      case 'g':
      case 'a':
      case 'switch':
        return this.children(element, place)
      case 'svg':
        return this.nested(element, element, place)
      case 'use':
        return this.use(element, place)
      default:
        this.say(element.name.slice(0, 40), 'this element is not known')
        return []
    }
  }

  /** A document within another, or a symbol: its view box fitted into the place that `sized` gives it. */
  private nested(element: XmlElement, sized: XmlElement, place: Place): DrawingObject[] {
    const { view } = place
    const length = (key: string, whole: number, otherwise: number) =>
      readLength(sized.attributes[key] ?? element.attributes[key], { whole }) ?? otherwise
    const isSymbol = element !== sized
    const at: Box = {
      x: isSymbol ? 0 : length('x', view.w, 0),
      y: isSymbol ? 0 : length('y', view.h, 0),
      w: length('width', view.w, view.w),
      h: length('height', view.h, view.h),
    }
    if (!(at.w > 0) || !(at.h > 0)) return []
    const box = viewBoxOf(element)
    const map: Transform = box ? fitted(box, at, element.attributes.preserveAspectRatio) : [1, 0, 0, 1, at.x, at.y]
    return this.children(element, { ...place, map: compose(place.map, map), view: box ?? { ...at, x: 0, y: 0 } })
  }

  private use(element: XmlElement, place: Place): DrawingObject[] {
    const id = hrefOf(element)
    if (id === null) {
      this.say('use', 'it leads to another file')
      return []
    }
    const target = this.document.byId.get(id)
    if (!target) {
      this.say('use', `#${id.slice(0, 40)} is not there`)
      return []
    }
    if (place.uses.includes(target) || place.uses.length > 16) {
      this.say('use', `#${id.slice(0, 40)} leads back to itself`)
      return []
    }
    const { attributes } = element
    const x = readLength(attributes.x, { whole: place.view.w }) ?? 0,
      y = readLength(attributes.y, { whole: place.view.h }) ?? 0
    const within: Place = { ...place, map: compose(place.map, [1, 0, 0, 1, x, y]), uses: [...place.uses, target] }
    if (target.name === 'symbol' || target.name === 'svg') {
      const look = lookOf(target, place.look, this.document.rules)
      return this.nested(target, element, { ...within, look })
    }
    return this.element(target, within)
  }

  private shape(element: XmlElement, { look, map, view }: Place): DrawingObject[] {
    if (++this.shapes > MOST.shapes) throw new Unreadable(`The file draws more than ${MOST.shapes} shapes.`)
    if (look.visibility !== 'visible') return []
    const em = readLength(look['font-size']) ?? 16
    const outline = outlineOf(element, view, em)
    if (typeof outline === 'string') {
      this.say(element.name, outline)
      return []
    }
    if (!outline) return []
    const path = pathOf(outline)
    if (
      path.some(({ segments }) =>
        segments.some(({ from, to }) => ![from.x, from.y, to.x, to.y].every((n) => Math.abs(n) < 1e6)),
      )
    ) {
      this.say(element.name, 'it reaches farther than anything is drawn')
      return []
    }
    for (const key of ['marker-start', 'marker-mid', 'marker-end'] as const)
      if (look[key] !== 'none') this.say('marker', 'markers are not read')
    const box = pathBounds(path)
    const fill = readPaint('fill', look, box, this.document),
      stroke = readPaint('stroke', look, box, this.document)
    for (const { unread } of [fill, stroke]) if (unread) this.say(`${element.name}, paint`, `${unread} is not read`)
    const isOpenLine =
      element.name === 'line' || (path.length === 1 && !path[0]!.closed && path[0]!.segments.length === 1)
    const paints = fill.paint !== 'none' && fill.opacity > 0 && !isOpenLine,
      strokes = stroke.paint !== 'none' && stroke.opacity > 0
    if (!paints && !strokes) return []
    const k = Math.sqrt(Math.abs(map[0] * map[3] - map[1] * map[2]))
    if (!(k > 0)) return []
    const weight = readLength(look['stroke-width'], { em, whole: Math.hypot(view.w, view.h) / Math.SQRT2 }) ?? 1
    const hasStroke = strokes && weight > 0
    if (!paints && !hasStroke) return []
    const isEven =
      Math.abs(map[0] ** 2 + map[1] ** 2 - map[2] ** 2 - map[3] ** 2) < 1e-6 * k * k &&
      Math.abs(map[0] * map[2] + map[1] * map[3]) < 1e-6 * k * k
    const keeps = look['vector-effect'] === 'non-scaling-stroke'
    const name = this.nameOf(element)
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
    const within = WITHIN * this.side
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
      return objectsOf({ path: there, style, rule, name }, this.how, within, this.ids)
    }
    const filled = paints
      ? objectsOf(
          { path: there, style: { ...fillStyle, stroke: 'none', weight: 1 }, rule, name },
          this.how,
          within,
          this.ids,
        )
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
    this.say(element.name, 'its stroke is scaled unevenly, so it is an outline now')
    return [
      ...filled,
      ...objectsOf({ path: area, style, rule: 'nonzero', name: `${name} stroke` }, this.how, within, this.ids),
    ]
  }

  /** Objects under the opacity of the element that they come from. */
  private dimmed(objects: DrawingObject[], look: Look, name: string): DrawingObject[] {
    const opacity = share(look.opacity)
    if (opacity === 0) return []
    if (opacity === 1) return objects
    const [only, ...more] = objects
    return more.length === 0
      ? [{ ...only!, opacity: tidy((only!.opacity ?? 1) * opacity) }]
      : [this.group(objects, name, { opacity: tidy(opacity) })]
  }

  private group(members: readonly DrawingObject[], name: string, own: object): DrawingObject {
    return { kind: 'group', id: this.ids(), name, members, ...own } as unknown as DrawingObject
  }

  /** Objects as far as the clip path and the mask of their element let them through. */
  private masked(objects: DrawingObject[], element: XmlElement, place: Place): DrawingObject[] {
    let shown = objects
    for (const key of ['clip-path', 'mask'] as const) {
      const text = place.look[key]
      if (text === 'none') continue
      const id = linkIn(text),
        by = id === null ? undefined : this.document.byId.get(id)
      if (!by) {
        this.say(key, 'what it leads to is not there')
        continue
      }
      const isClip = key === 'clip-path'
      if (
        by.attributes.clipPathUnits === 'objectBoundingBox' ||
        by.attributes.maskContentUnits === 'objectBoundingBox'
      ) {
        this.say(key, 'it is measured by the box of what it cuts, which is not read')
        continue
      }
      const look = { ...lookOf(by, INITIAL, this.document.rules), ...(isClip && { fill: 'black', stroke: 'none' }) }
      const shapes = this.children(by, { ...place, look: { ...look, 'clip-path': 'none' } })
      const area = shapes.length === 1 && isWhole(shapes[0]!) ? (shapes[0] as unknown as Box) : null
      // Exports put everything into a window as large as the square: nothing is cut by that.
      if (area && boxInside({ x: 1e-3, y: 1e-3, w: this.side - 2e-3, h: this.side - 2e-3 }, area)) continue
      if (shapes.length === 0) return []
      if (!isClip && shapes.some((one) => !isWhite(one))) {
        this.say('mask', 'its greys are not read: it lets through what it covers')
      }
      const front = shapes.length === 1 ? shapes[0]! : this.group(shapes, key, {})
      shown = [this.group([...shown, front], element.attributes.id?.slice(0, 40) || key, { mask: 'inside' })]
    }
    return shown
  }

  private nameOf({ name, attributes }: XmlElement): string {
    // Editors write the name of a layer or an object as a label of their own namespace.
    const label = Object.entries(attributes).find(([key]) => key.endsWith(':label'))?.[1]
    const own = label ?? attributes.id ?? ''
    const text = own
      .replace(/[^\p{L}\p{N} _.-]/gu, ' ')
      .trim()
      .slice(0, 60)
    return text || `${name} ${this.shapes}`
  }
}

const isWhole = (object: DrawingObject): boolean => object.kind === 'rectangle' && object.corner === 0 && !object.turn

const isWhite = (object: DrawingObject): boolean =>
  'style' in object && 'fill' in object.style && ['#ffffff', 'none'].includes(String(object.style.fill))

const isStrokeFirst = (order: string): boolean => {
  const words = order.split(/\s+/)
  const at = words.indexOf('stroke')
  return at >= 0 && (words.indexOf('fill') < 0 || at < words.indexOf('fill'))
}
