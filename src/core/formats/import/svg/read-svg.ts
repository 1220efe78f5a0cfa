import type { Loss } from '../../../findings/loss'
import { Refusal } from '../../../findings/refusal'
import type { DrawingObject } from '../../../drawing/objects/object'
import { type Box, boxInside } from '../../../geometry/box'
import type { Path } from '../../../geometry/path'
import { compose, IDENTITY, type Transform } from '../../../geometry/transform'
import { tidy } from '../../../geometry/tidy'
import { counting, type Ids, type Understanding } from '../objects'
import { BOUNDS, Budget } from '../budget'
import { Cascade, readStyleSheet, type StyleRule } from './css'
import { boxMap, maskFront } from './cut'
import { INITIAL, type Look, lookOf } from './look'
import { outlineOf, pathOf, SHAPES } from './outline'
import { markersOf } from './markers'
import { type Document, hrefOf, share } from './paint'
import { readShadow } from './shadow'
import { drawnShape } from './shape'
import { textOutline } from './text'
import { linkIn, readLength, readTransform } from './values'
import { fitted, rootView, viewBoxOf } from './viewport'
import { parseXml, type XmlElement } from './xml'

/** A read SVG document: its side in its own units, its objects, and unsupported features. */
type ReadSvg = {
  readonly side: number
  readonly objects: readonly DrawingObject[]
  readonly unread: readonly Loss[]
  readonly title: string | null
}

/** Tolerance of live shapes, as a share of the square: 0.002 units of 24. */
const WITHIN = 0.002 / 24

/** A view box whose sides differ by less, as a share of the longer one, is square. */
const ROUNDED = 1e-3

/** The elements that may have markers (SVG 2 §11.6). */
const MARKED = new Set(['path', 'line', 'polyline', 'polygon'])

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
  image: 'pictures of pixels are not read',
  foreignObject: 'foreign content is not read',
  script: 'scripts are never imported',
  animate: 'animations are not read',
  animateTransform: 'animations are not read',
  animateMotion: 'animations are not read',
  set: 'animations are not read',
  video: 'videos are not read',
  audio: 'sounds are not read',
}

/** Where an element is read: its parent's look, the map to the square, the place percentages are of, and how often `use` led here. */
type Place = {
  readonly look: Look
  readonly map: Transform
  readonly view: Box
  readonly uses: readonly XmlElement[]
  readonly around?: Look
}

/** Reads the text of an SVG document (SVG 2) into a square that its view box is centred in. Throws `Unreadable`. */
export const readSvg = (text: string, how: Understanding = 'live'): ReadSvg => readSvgRoot(parseXml(text), how)

/** Reads an SVG document by its root element. Throws `Unreadable`. */
export function readSvgRoot(root: XmlElement, how: Understanding): ReadSvg {
  if (root.name !== 'svg')
    throw new Refusal('unreadable', `The file is not an SVG: its first element is “${root.name.slice(0, 40)}”.`)
  const view = rootView(root) ?? { x: 0, y: 0, w: 24, h: 24 }
  const reading = new Reading(root, view, how)
  const side = Math.max(view.w, view.h)
  const map: Transform = [1, 0, 0, 1, (side - view.w) / 2 - view.x, (side - view.h) / 2 - view.y]
  if (!rootView(root)) reading.say('svg', 'it states no size: 24 × 24 is assumed')
  if (Math.abs(view.w - view.h) > ROUNDED * side)
    reading.say('svg', `it is ${tidy(view.w)} × ${tidy(view.h)}, and was centred in a square`)
  const objects = reading.children(root, { look: lookOf(root, INITIAL, reading.document.rules), map, view, uses: [] })
  const title = root.children.find(({ name }) => name === 'title')?.text.trim()
  return { side, objects, unread: reading.unread, title: title || null }
}

class Reading {
  readonly document: Document
  readonly budget = new Budget()
  private readonly said = new Map<string, Loss>()
  private readonly ids: Ids = counting()
  private readonly side: number
  private count = 0

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
    this.document = { byId, rules: new Cascade(rules, this.budget) }
  }

  get unread(): readonly Loss[] {
    return [...this.said.values()]
  }

  /** Notes an unsupported feature once. */
  say(what: string, why: string): void {
    this.said.set(`${what} ${why}`, { what, why })
  }

  children(element: XmlElement, place: Place): DrawingObject[] {
    return element.children.flatMap((child) => this.element(child, place))
  }

  /** The objects of an element; none where it draws nothing. */
  private element(element: XmlElement, place: Place): DrawingObject[] {
    const { name } = element
    this.budget.visit()
    if (SILENT.has(name) || name.includes(':')) return []
    if (Object.hasOwn(LISTED, name)) {
      this.say(name, LISTED[name]!)
      return []
    }
    const look = inContext(lookOf(element, place.look, this.document.rules), place.around)
    if (look.display === 'none') return []
    const own = readTransform(look.transform)
    if (!own) this.say(`the transform of ${name}`, `“${look.transform.slice(0, 40)}” is not understood`)
    const within: Place = { ...place, look, map: compose(place.map, own ?? IDENTITY) }
    if (look['mix-blend-mode'] !== 'normal') this.say('mix-blend-mode', 'blending is not read')
    const drawn = this.drawn(element, within)
    if (drawn.length === 0) return []
    return this.masked(this.dimmed(this.shadowed(drawn, within, name), look, name), element, within)
  }

  private drawn(element: XmlElement, place: Place): DrawingObject[] {
    if (SHAPES.has(element.name) || element.name === 'text')
      return [...this.shape(element, place), ...this.marked(element, place)]
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
      this.say('use', 'it refers to another file')
      return []
    }
    const target = this.document.byId.get(id)
    if (!target) {
      this.say('use', `#${id.slice(0, 40)} is not there`)
      return []
    }
    if (place.uses.includes(target)) {
      this.say('use', `#${id.slice(0, 40)} leads back to itself`)
      return []
    }
    if (place.uses.length >= BOUNDS.nested) {
      this.say('use', `more than ${BOUNDS.nested} elements refer to one another`)
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
    this.count++
    this.budget.shape()
    if (look.visibility !== 'visible') return []
    const em = readLength(look['font-size']) ?? 16
    const path = this.pathIn(element, look, view, em)
    if (!path) return []
    if (
      path.some(({ segments }) =>
        segments.some(({ from, to }) => ![from.x, from.y, to.x, to.y].every((n) => Math.abs(n) < 1e6)),
      )
    ) {
      this.say(element.name, 'it is too far from the square')
      return []
    }
    this.budget.path(path, look.fill !== 'none')
    return drawnShape(
      { element, name: this.nameOf(element), path, look, map, view, em },
      {
        document: this.document,
        how: this.how,
        within: WITHIN * this.side,
        ids: this.ids,
        say: (what, why) => this.say(what, why),
      },
    )
  }

  /** Outline of an element in its own units; null if it draws nothing or is invalid. */
  private pathIn(element: XmlElement, look: Look, view: Box, em: number): Path | null {
    if (element.name === 'text') {
      const path = textOutline(element, look, view)
      if (path) this.say('text', 'its text became outlines in the font that comes with Wise Square')
      return path
    }
    const outline = outlineOf(element, view, em)
    if (typeof outline === 'string') this.say(element.name, outline)
    return outline && typeof outline !== 'string' ? pathOf(outline) : null
  }

  /** What the markers of an element draw. */
  private marked(element: XmlElement, place: Place): DrawingObject[] {
    const { look, view } = place
    const isMarked = [look['marker-start'], look['marker-mid'], look['marker-end']].some((one) => one !== 'none')
    if (!isMarked || !MARKED.has(element.name) || look.visibility !== 'visible') return []
    const outline = outlineOf(element, view, 16)
    if (!outline || typeof outline === 'string') return []
    const width = readLength(look['stroke-width'], { whole: Math.hypot(view.w, view.h) / Math.SQRT2 }) ?? 1
    return markersOf(pathOf(outline), look, width, this.document).flatMap(({ marker, map }) => {
      if (place.uses.includes(marker)) {
        this.say('marker', 'it refers to itself')
        return []
      }
      if (place.uses.length >= BOUNDS.nested) {
        this.say('marker', `more than ${BOUNDS.nested} elements refer to one another`)
        return []
      }
      const own = lookOf(marker, INITIAL, this.document.rules)
      return this.children(marker, {
        look: { ...own, 'marker-start': 'none', 'marker-mid': 'none', 'marker-end': 'none' },
        map: compose(place.map, map),
        view: viewBoxOf(marker) ?? view,
        uses: [...place.uses, marker],
        around: look,
      })
    })
  }

  /** Objects with the soft shadow that the filter of their element makes. */
  private shadowed(objects: DrawingObject[], { look, map }: Place, name: string): DrawingObject[] {
    if (look.filter === 'none') return objects
    const shadow = readShadow(look.filter, look, map, this.document)
    if (!shadow) {
      this.say('filter', 'filters other than a soft shadow are not read')
      return objects
    }
    return objects.length === 1 ? [{ ...objects[0]!, shadow }] : [this.group(objects, name, { shadow })]
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
        this.say(key, 'what it refers to is missing')
        continue
      }
      const isClip = key === 'clip-path'
      const isOfBox = [by.attributes.clipPathUnits, by.attributes.maskContentUnits].includes('objectBoundingBox')
      const map = isOfBox ? boxMap(shown, place.map) : place.map
      if (!map) {
        this.say(key, 'it uses the bounding box of a turned object')
        continue
      }
      const look = { ...lookOf(by, INITIAL, this.document.rules), ...(isClip && { fill: 'black', stroke: 'none' }) }
      const shapes = this.children(by, { ...place, map, look: { ...look, 'clip-path': 'none' } })
      const area = shapes.length === 1 && isWhole(shapes[0]!) ? (shapes[0] as unknown as Box) : null
      // Exports put everything into a window as large as the square: nothing is cut by that.
      if (area && boxInside({ x: 1e-3, y: 1e-3, w: this.side - 2e-3, h: this.side - 2e-3 }, area)) continue
      if (shapes.length === 0) return []
      const { front, isExact } = isClip
        ? { front: shapes.length === 1 ? shapes[0]! : this.group(shapes, key, {}), isExact: true }
        : maskFront(shapes, this.ids)
      if (!isExact) this.say('mask', 'its greys are read as white')
      if (!front) return []
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
    return text || `${name} ${this.count}`
  }
}

/** A look whose paints of what a marker stands on are those (SVG 2 §13.2). */
const inContext = (look: Look, around: Look | undefined): Look => {
  if (!around) return look
  const of = (paint: string) =>
    paint === 'context-fill' ? around.fill : paint === 'context-stroke' ? around.stroke : paint
  return { ...look, fill: of(look.fill), stroke: of(look.stroke) }
}

const isWhole = (object: DrawingObject): boolean => object.kind === 'rectangle' && object.corner === 0 && !object.turn
