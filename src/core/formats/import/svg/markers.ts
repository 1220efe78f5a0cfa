import type { Box } from '../../../geometry/box'
import type { Path } from '../../../geometry/path'
import type { Point } from '../../../geometry/point'
import type { Segment } from '../../../geometry/segment'
import { directionAt } from '../../../geometry/slope'
import { compose, type Transform } from '../../../geometry/transform'
import type { Look } from './look'
import { type Document } from './paint'
import { linkIn, readLength } from './values'
import { fitted, viewBoxOf } from './viewport'
import type { XmlElement } from './xml'

/** A marker at a vertex: its element, and the map of its content to the units of the path. */
export type Marked = { readonly marker: XmlElement; readonly map: Transform }

type Vertex = { readonly at: Point; readonly turn: number; readonly key: 'marker-start' | 'marker-mid' | 'marker-end' }

/** The markers of a path, in order: at its first vertex, its last, and all between (SVG 2 §11.6). `width` is that of its stroke. */
export function markersOf(path: Path, look: Look, width: number, { byId }: Document): Marked[] {
  return verticesOf(path).flatMap(({ at, turn, key }) => {
    const id = linkIn(look[key]),
      marker = id === null ? undefined : byId.get(id)
    if (marker?.name !== 'marker') return []
    return [{ marker, map: placed(marker, at, key === 'marker-start' ? reversed(marker, turn) : turn, width) }]
  })
}

const reversed = ({ attributes }: XmlElement, turn: number): number =>
  attributes.orient === 'auto-start-reverse' ? turn + Math.PI : turn

function placed(marker: XmlElement, at: Point, turn: number, width: number): Transform {
  const { attributes } = marker
  const length = (key: string, otherwise: number) => readLength(attributes[key]) ?? otherwise
  const box: Box = { x: 0, y: 0, w: length('markerWidth', 3), h: length('markerHeight', 3) }
  const view = viewBoxOf(marker)
  const inner: Transform = view ? fitted(view, box, attributes.preserveAspectRatio) : [1, 0, 0, 1, 0, 0]
  const [a, b, c, d] = inner
  const ref = { x: length('refX', 0), y: length('refY', 0) }
  const scale = attributes.markerUnits === 'userSpaceOnUse' ? 1 : width
  const orient = attributes.orient ?? '0'
  const angle = orient.startsWith('auto') ? turn : ((Number.parseFloat(orient) || 0) * Math.PI) / 180
  const cos = Math.cos(angle) * scale,
    sin = Math.sin(angle) * scale
  // Maps the reference point to the vertex.
  return compose([cos, sin, -sin, cos, at.x, at.y], [a, b, c, d, -(a * ref.x + c * ref.y), -(b * ref.x + d * ref.y)])
}

/** The vertices of a path with the direction in which a marker stands there. */
function verticesOf(path: Path): Vertex[] {
  const all = path.flatMap(({ segments, closed }) => {
    const first = segments[0]!,
      last = segments.at(-1)!
    return [
      { at: first.from, turn: between(closed ? last : null, first) },
      ...segments.map((segment, i) => ({
        at: segment.to,
        turn: between(segment, segments[i + 1] ?? (closed ? first : null)),
      })),
    ]
  })
  return all.map((one, i) => ({
    ...one,
    key: i === 0 ? 'marker-start' : i === all.length - 1 ? 'marker-end' : 'marker-mid',
  }))
}

/** Halfway between the way that arrives and the one that leaves. */
function between(before: Segment | null, after: Segment | null): number {
  const arriving = before && directionAt(before, 1),
    leaving = after && directionAt(after, 0)
  const both = { x: (arriving?.x ?? 0) + (leaving?.x ?? 0), y: (arriving?.y ?? 0) + (leaving?.y ?? 0) }
  return Math.atan2(both.y, both.x)
}
