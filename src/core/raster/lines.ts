import { arcCentre } from '../geometry/arc'
import type { Segment } from '../geometry/segment'
import type { Edge } from './regions'

/** How far the lines by which curves are drawn may lie from them, in pixels: less than a level of grey. */
const FLAT = 1 / 256

/** The most lines that one curve comes to. */
const MOST = 8192

/** Where a picture is seen: so many pixels to a unit, and the place of the picture at the top left of the first pixel. */
export type View = { readonly scale: number; readonly x: number; readonly y: number }

/** Lines in pixels, four numbers each (from x, y to x, y), and for each the number of its edge. */
export type Lines = { readonly places: Float64Array; readonly edges: Int32Array; readonly count: number }

/** Edges as lines in pixels that stay near them. */
export function linesOf(edges: readonly Edge[], view: View): Lines {
  let places = new Float64Array(1024),
    owners = new Int32Array(256),
    count = 0,
    x0 = 0,
    y0 = 0
  const begin = (x: number, y: number) => {
    x0 = (x - view.x) * view.scale
    y0 = (y - view.y) * view.scale
  }
  edges.forEach(({ segment }, edge) => {
    const { from } = segment
    begin(from.x, from.y)
    along(segment, view.scale, (x, y) => {
      if (count === owners.length) {
        places = grown(places, new Float64Array(2 * places.length))
        owners = grown(owners, new Int32Array(2 * owners.length))
      }
      const i = 4 * count,
        fromX = x0,
        fromY = y0
      begin(x, y)
      places[i] = fromX
      places[i + 1] = fromY
      places[i + 2] = x0
      places[i + 3] = y0
      owners[count++] = edge
    })
  })
  return { places, edges: owners, count }
}

function grown<T extends Float64Array | Int32Array>(old: T, larger: T): T {
  larger.set(old)
  return larger
}

/** Goes along a segment from place to place so that the lines between them stay near it; ends where it ends. */
function along(segment: Segment, scale: number, to: (x: number, y: number) => void): void {
  const end = segment.to
  if (segment.kind === 'arc') {
    const { centre, rx, ry, start, extent } = arcCentre(segment)
    const cos = Math.cos(segment.turn),
      sin = Math.sin(segment.turn)
    // The height of an arc over its chord.
    const step = 2 * Math.acos(Math.max(0, 1 - FLAT / (Math.max(rx, ry) * scale)))
    const count = Math.max(2, Math.min(MOST, Math.ceil(Math.abs(extent) / Math.max(step, 1e-9))))
    const k = areaScale(Math.abs(extent) / count, count)
    for (let i = 1; i < count; i++) {
      const angle = start + (extent * i) / count,
        x = k * rx * Math.cos(angle),
        y = k * ry * Math.sin(angle)
      to(centre.x + cos * x - sin * y, centre.y + sin * x + cos * y)
    }
  } else if (segment.kind === 'cubic') {
    const { from: a, c1: b, c2: c } = segment
    // The bound of Wang, Computer-Aided Design 16 (1984): by the second differences of the control points.
    const bend =
      Math.max(
        Math.hypot(a.x - 2 * b.x + c.x, a.y - 2 * b.y + c.y),
        Math.hypot(b.x - 2 * c.x + end.x, b.y - 2 * c.y + end.y),
      ) * scale
    const count = Math.min(MOST, Math.ceil(Math.sqrt((0.75 * bend) / FLAT)))
    for (let i = 1; i < count; i++) {
      const t = i / count,
        s = 1 - t
      const k0 = s * s * s,
        k1 = 3 * s * s * t,
        k2 = 3 * s * t * t,
        k3 = t * t * t
      to(k0 * a.x + k1 * b.x + k2 * c.x + k3 * end.x, k0 * a.y + k1 * b.y + k2 * c.y + k3 * end.y)
    }
  }
  to(end.x, end.y)
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
