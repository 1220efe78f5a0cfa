import { runsOf, type Run, type Shape } from '../../core/drawing/scene/shape'
import type { ResolvedGradient, ResolvedPaint } from '../../core/drawing/model/resolved'
import { arcCentre, arcFromAngles } from '../../core/geometry/arc'
import type { Path } from '../../core/geometry/path'
import type { Point } from '../../core/geometry/point'
import type { Segment } from '../../core/geometry/segment'
import { type Ground, type Picture, stated } from '../../core/picture/picture'
import { preciseColour, precisePath, preciseStroke, statedOpacity } from '../../core/picture/precise'
import { dimmed, isLoneShape } from '../../core/picture/runs'
import { linearEnds, radialCircle } from '../../core/picture/svg-paint'

/**
 * A picture as vectors of a PDF (ISO 32000-2): paths with strokes and gradients, groups as transparency groups, masks as
 * soft masks by opacity. PDF has no blur: soft shadows are left out.
 */

type Doc = PDFKit.PDFDocument

/** What pdfkit keeps of a page and a document, which groups need and its types do not tell. */
type Inner = {
  page: { width: number; height: number; write: (data: string) => void } & Resources
  _ctm: number[]
  _groups?: number
  addContent: (data: string) => void
}
type Resources = Record<'fonts' | 'xobjects' | 'ext_gstates' | 'patterns' | 'colorSpaces', Record<string, unknown>>

const innerOf = (doc: Doc) => doc as unknown as Inner

/** Draws a picture with its top left corner at a place and a width, in points. */
export function drawPicture(
  doc: Doc,
  { box, layers, ground, clip }: Picture,
  x: number,
  y: number,
  width: number,
): void {
  const by = width / box.w
  doc.save()
  doc.transform(by, 0, 0, by, x - by * box.x, y - by * box.y)
  doc.rect(box.x, box.y, box.w, box.h).clip()
  if (clip) {
    addPath(doc, precisePath(clip))
    doc.clip()
  }
  for (const { shapes, map, size } of layers) {
    doc.save()
    if (map) doc.transform(...(map.map(stated) as unknown as [number, number, number, number, number, number]))
    for (const run of runsOf(shapes)) drawRun(doc, run, { ground, size })
    doc.restore()
  }
  doc.restore()
}

/** The ground of a layer, and the side of the square that its groups cover. */
type Place = { readonly ground: Ground; readonly size: number }

function drawRun(doc: Doc, run: Run, place: Place): void {
  if (!('runs' in run)) return drawShape(doc, run, place)
  const { effect, runs } = run
  const own = isLoneShape(run) ? dimmed(runs[0] as Shape, effect.opacity) : null
  if (own) return drawShape(doc, { ...(runs[0] as Shape), ...own }, place)
  const { mask } = effect
  const group = asGroup(doc, place.size, () => runs.forEach((one) => drawRun(doc, one, place)))
  const masked = mask && asGroup(doc, place.size, () => runsOf(mask).forEach((one) => drawRun(doc, one, place)))
  doc.save()
  if (masked) maskBy(doc, masked)
  doc.opacity(statedOpacity(effect.opacity))
  innerOf(doc).page.xobjects[group.name] = group.form
  innerOf(doc).addContent(`/${group.name} Do`)
  doc.restore()
}

type Group = { readonly name: string; readonly form: unknown }

/** Draws into a transparency group instead of the page. The group covers the square of a side and its surroundings. */
function asGroup(doc: Doc, size: number, draw: () => void): Group {
  const inner = innerOf(doc),
    { page, _ctm } = inner
  const resources: Resources = { fonts: {}, xobjects: {}, ext_gstates: {}, patterns: {}, colorSpaces: {} }
  const name = `G${(inner._groups = (inner._groups ?? 0) + 1)}`
  const content: string[] = []
  inner._ctm = [1, 0, 0, 1, 0, 0]
  inner.page = { width: 2 * size, height: 2 * size, write: (data) => void content.push(data), ...resources }
  try {
    draw()
  } finally {
    inner.page = page
    inner._ctm = _ctm
  }
  const form = doc.ref({
    Type: 'XObject',
    Subtype: 'Form',
    FormType: 1,
    BBox: [-size, -size, 2 * size, 2 * size],
    Group: { Type: 'Group', S: 'Transparency', CS: 'DeviceRGB', I: true, K: false },
    Resources: { XObject: resources.xobjects, ExtGState: resources.ext_gstates, Pattern: resources.patterns },
  })
  form.end(Buffer.from(`${content.join('\n')}\n`))
  return { name, form }
}

/** Masks what follows by a group: by its opacity, or by how light it is. */
function maskBy(doc: Doc, { name, form }: Group, by: 'Alpha' | 'Luminosity' = 'Alpha'): void {
  const state = doc.ref({ Type: 'ExtGState', SMask: { Type: 'Mask', S: by, G: form } })
  // Its type asks for content, which only streams have.
  ;(state as unknown as { end: () => void }).end()
  innerOf(doc).page.ext_gstates[`M${name}`] = state
  innerOf(doc).addContent(`/M${name} gs`)
}

function drawShape(doc: Doc, shape: Shape, { ground, size }: Place): void {
  const { fill, stroke } = shape,
    path = precisePath(shape.path)
  if (path.length === 0) return
  if (fill) {
    doc.save()
    const paint = paintOf(doc, fill, { ground, size })
    addPath(doc, path)
    doc.fillColor(...paint)
    doc.fill()
    doc.restore()
  }
  if (!stroke) return
  const { width, cap, join, miterLimit, dash, dashOffset = 0 } = preciseStroke(stroke)
  doc.save()
  doc.lineWidth(width).lineCap(cap).lineJoin(join).miterLimit(miterLimit)
  // pdfkit refuses dashes of no length, which are dots.
  if (dash) innerOf(doc).addContent(`[${dash.join(' ')}] ${dashOffset} d`)
  const paint = paintOf(doc, stroke.paint, { ground, size })
  addPath(doc, path)
  doc.strokeColor(...paint)
  doc.stroke()
  doc.restore()
}

const hexOf = (parts: readonly number[]): string =>
  `#${parts
    .map((part) =>
      Math.round(255 * part)
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`

/** Least distance of stops: PDF wants their places in order, one after the other. */
const APART = 1e-5

type Colour = PDFKit.Mixins.ColorValue
type Stop = { readonly at: number; readonly colour: readonly [number, number, number, number] }

/** A paint and its opacity. Where a gradient is not opaque throughout, all that follows is masked. */
function paintOf(doc: Doc, paint: ResolvedPaint, { ground, size }: Place): [Colour, number] {
  if (!('kind' in paint)) {
    const [r, g, b, a] = preciseColour(paint, ground)
    return [hexOf([r, g, b]), a]
  }
  const opacity = statedOpacity(paint.opacity),
    stops = paint.stops.map(({ at, color }): Stop => {
      const [r, g, b, a] = preciseColour(color, ground)
      return { at: stated(at), colour: [r, g, b, a * opacity] }
    })
  const [r, g, b, a] = stops.at(-1)!.colour
  // A gradient of no length is its last colour (SVG 2 §14.2.2).
  if (!gradientOf(doc, paint)) return [hexOf([r, g, b]), a]
  if (stops.some(({ colour }) => colour[3] < 1)) {
    const opacities = asGroup(doc, size, () => {
      doc.rect(-size, -size, 3 * size, 3 * size)
      doc.fillColor(
        withStops(doc, paint, stops, ([, , , alpha]) => hexOf([alpha, alpha, alpha])),
        1,
      )
      doc.fill()
    })
    maskBy(doc, opacities, 'Luminosity')
  }
  return [withStops(doc, paint, stops, (colour) => hexOf(colour.slice(0, 3))), 1]
}

function withStops(
  doc: Doc,
  paint: ResolvedGradient,
  stops: readonly Stop[],
  colourOf: (colour: Stop['colour']) => string,
): Colour {
  const gradient = gradientOf(doc, paint)!
  let before = -APART
  // The colour of the first stop goes on before it.
  for (const { at, colour } of stops[0]!.at > 0 ? [{ ...stops[0]!, at: 0 }, ...stops] : stops) {
    before = Math.min(1, Math.max(at, before + APART))
    gradient.stop(before, colourOf(colour), 1)
  }
  return gradient as unknown as Colour
}

function gradientOf(doc: Doc, paint: ResolvedGradient): PDFKit.PDFGradient | null {
  if (paint.kind === 'linear') {
    const { x1, y1, x2, y2 } = linearEnds(paint)
    return x1 === x2 && y1 === y2 ? null : doc.linearGradient(x1, y1, x2, y2)
  }
  const circle = radialCircle(paint)
  if (circle) {
    const { cx, cy, r, fx, fy } = circle
    return r === 0 ? null : doc.radialGradient(fx, fy, 0, cx, cy, r)
  }
  const gradient = doc.radialGradient(stated(paint.focus.x), stated(paint.focus.y), 0, 0, 0, 1)
  // Its type lacks the map, which makes an ellipse of the circle.
  ;(gradient as unknown as { setTransform: (...map: number[]) => void }).setTransform(...paint.map.map(stated))
  return gradient
}

function addPath(doc: Doc, path: Path): void {
  for (const { segments, closed } of path) {
    const [first] = segments
    if (!first) continue
    doc.moveTo(first.from.x, first.from.y)
    for (const segment of segments) addSegment(doc, segment)
    if (closed) doc.closePath()
  }
}

function addSegment(doc: Doc, segment: Segment): void {
  const { to } = segment
  if (segment.kind === 'line') doc.lineTo(to.x, to.y)
  else if (segment.kind === 'cubic')
    doc.bezierCurveTo(segment.c1.x, segment.c1.y, segment.c2.x, segment.c2.y, to.x, to.y)
  else addArc(doc, segment)
}

/** An arc as cubics of an eighth of a turn at most, which are off by less than a millionth of its radius. */
function addArc(doc: Doc, arc: Extract<Segment, { kind: 'arc' }>): void {
  const { centre, rx, ry, start, extent } = arcCentre(arc)
  const count = Math.max(1, Math.ceil(Math.abs(extent) / (Math.PI / 4))),
    step = extent / count,
    reach = (4 / 3) * Math.tan(step / 4)
  const [cos, sin] = [Math.cos(arc.turn), Math.sin(arc.turn)]
  /** The derivative by the angle. */
  const slope = (angle: number): Point => {
    const [u, v] = [-rx * Math.sin(angle), ry * Math.cos(angle)]
    return { x: cos * u - sin * v, y: sin * u + cos * v }
  }
  let from = arc.from
  for (let i = 1; i <= count; i++) {
    const [a, b] = [start + (i - 1) * step, start + i * step]
    const to = i === count ? arc.to : arcFromAngles(centre, rx, ry, arc.turn, b),
      [leaving, arriving] = [slope(a), slope(b)]
    doc.bezierCurveTo(
      from.x + reach * leaving.x,
      from.y + reach * leaving.y,
      to.x - reach * arriving.x,
      to.y - reach * arriving.y,
      to.x,
      to.y,
    )
    from = to
  }
}
