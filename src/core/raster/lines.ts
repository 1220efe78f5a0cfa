import { arcCentre } from '../geometry/arc'
import { hypot } from '../geometry/point'
import type { Segment } from '../geometry/segment'
import type { Edge } from './regions'

/** How far the lines by which curves are drawn may lie from them, in pixels: less than a level of grey. */
const FLAT = 1 / 256

/** Greatest number of lines that one curve is flattened to. */
const MOST = 8192

/** Where a picture is seen: so many pixels to a unit, and the place of the picture at the top left of the first pixel. */
export type View = { readonly scale: number; readonly x: number; readonly y: number }

/** Lines in pixels, four numbers each (from x, y to x, y), and for each the number of its edge. */
export type Lines = { readonly places: Float64Array; readonly edges: Int32Array; readonly count: number }

/** Edges as lines in pixels that stay near them. */
export function linesOf(edges: readonly Edge[], view: View): Lines {
  const lines = new Polylines(view)
  for (let i = 0; i < edges.length; i++) along(edges[i]!.segment, lines, i)
  return lines
}

/** Lines that are drawn from place to place, in as much room as they need. */
class Polylines implements Lines {
  places = new Float64Array(1024)
  edges = new Int32Array(256)
  count = 0
  readonly scale: number
  private readonly left: number
  private readonly top: number
  private x = 0
  private y = 0

  constructor({ scale, x, y }: View) {
    this.scale = scale
    this.left = x
    this.top = y
  }

  begin(x: number, y: number): void {
    this.x = (x - this.left) * this.scale
    this.y = (y - this.top) * this.scale
  }

  to(x: number, y: number, edge: number): void {
    if (this.count === this.edges.length) {
      this.places = grown(this.places, new Float64Array(2 * this.places.length))
      this.edges = grown(this.edges, new Int32Array(2 * this.edges.length))
    }
    const { places } = this,
      i = 4 * this.count
    places[i] = this.x
    places[i + 1] = this.y
    places[i + 2] = this.x = (x - this.left) * this.scale
    places[i + 3] = this.y = (y - this.top) * this.scale
    this.edges[this.count++] = edge
  }
}

function grown<T extends Float64Array | Int32Array>(old: T, larger: T): T {
  larger.set(old)
  return larger
}

/** Draws a segment from place to place so that the lines between them stay near it; ends where it ends. */
function along(segment: Segment, lines: Polylines, edge: number): void {
  const { scale } = lines,
    { from, to: end } = segment
  lines.begin(from.x, from.y)
  if (segment.kind === 'arc') {
    const { centre, rx, ry, start, extent } = arcCentre(segment)
    const cos = Math.cos(segment.turn),
      sin = Math.sin(segment.turn)
    // The height of an arc over its chord.
    const step = 2 * Math.acos(Math.max(0, 1 - FLAT / (Math.max(rx, ry) * scale)))
    const count = Math.max(2, Math.min(MOST, Math.ceil(Math.abs(extent) / Math.max(step, 1e-9)))),
      angle = extent / count
    const k = areaScale(Math.abs(angle), count)
    const stepCos = Math.cos(angle),
      stepSin = Math.sin(angle)
    let x = Math.cos(start),
      y = Math.sin(start)
    for (let i = 1; i < count; i++) {
      const before = x
      x = before * stepCos - y * stepSin
      y = before * stepSin + y * stepCos
      const px = k * rx * x,
        py = k * ry * y
      lines.to(centre.x + cos * px - sin * py, centre.y + sin * px + cos * py, edge)
    }
  } else if (segment.kind === 'cubic') {
    const { c1: b, c2: c } = segment,
      a = from
    // The bound of Wang, Computer-Aided Design 16 (1984): by the second differences of the control points.
    const bend =
      Math.max(hypot(a.x - 2 * b.x + c.x, a.y - 2 * b.y + c.y), hypot(b.x - 2 * c.x + end.x, b.y - 2 * c.y + end.y)) *
      scale
    const count = Math.min(MOST, Math.ceil(Math.sqrt((0.75 * bend) / FLAT)))
    for (let i = 1; i < count; i++) {
      const t = i / count,
        s = 1 - t
      const k0 = s * s * s,
        k1 = 3 * s * s * t,
        k2 = 3 * s * t * t,
        k3 = t * t * t
      lines.to(k0 * a.x + k1 * b.x + k2 * c.x + k3 * end.x, k0 * a.y + k1 * b.y + k2 * c.y + k3 * end.y, edge)
    }
  }
  lines.to(end.x, end.y, edge)
}

/**
 * The factor by which the points of a polygon around an arc lie outside of it, so that the polygon has the area of the
 * arc's sector.
 */
function areaScale(angle: number, count: number): number {
  const sine = Math.sin(angle),
    inner = (count - 2) * sine
  return inner < 1e-9 ? angle / sine : (Math.sqrt(sine * sine + inner * count * angle) - sine) / inner
}
