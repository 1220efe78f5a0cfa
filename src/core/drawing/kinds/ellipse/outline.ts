import { ellipseAxes } from '../../../geometry/arc'
import { type Contour, ellipse, type Path, polyline } from '../../../geometry/path'
import { add, type Point, subtract } from '../../../geometry/point'
import { type Arc, line, reverse } from '../../../geometry/segment'
import { cosSin } from '../../../geometry/transform'
import { type Frame, framePoint, scaledAxes } from '../../model/frame'

/** The drawn part of an ellipse: angles in degrees, anticlockwise from the right, and a hole as a share of its size. */
type Drawn = Frame & {
  readonly from?: number | undefined
  readonly to?: number | undefined
  readonly cut?: 'pie' | 'chord' | 'open' | undefined
  readonly hole?: number | undefined
}

/** The outline of an ellipse, of a part of it, or of a ring. */
export function ellipsePath(object: Drawn): Path {
  if (object.w === 0 || object.h === 0) {
    const flat = polyline([framePoint(object, { x: 0, y: 0 }), framePoint(object, { x: 1, y: 1 })], false)
    return flat.segments.length > 0 ? [flat] : []
  }
  const { from, to, hole = 0 } = object
  if (from === undefined || to === undefined || from === to)
    return hole > 0 ? [whole(object, 1), turned(whole(object, hole))] : [whole(object, 1)]
  const outer = arcs(object, 1, from, to)
  if (object.cut === 'open') return [{ segments: outer, closed: false }]
  const start = outer[0]!.from,
    end = outer[outer.length - 1]!.to
  if (hole > 0) {
    const inner = arcs(object, hole, from, to).toReversed().map(reverse)
    return [
      {
        segments: [...outer, line(end, inner[0]!.from), ...inner, line(inner[inner.length - 1]!.to, start)],
        closed: true,
      },
    ]
  }
  if (object.cut === 'chord') return [{ segments: [...outer, line(end, start)], closed: true }]
  const centre = framePoint(object, { x: 0.5, y: 0.5 })
  return [{ segments: [...outer, line(end, centre), line(centre, start)], closed: true }]
}

const turned = ({ segments, closed }: Contour): Contour => ({ segments: segments.toReversed().map(reverse), closed })

function whole(frame: Frame, share: number): Contour {
  const centre = framePoint(frame, { x: 0.5, y: 0.5 })
  if (!frame.turn && !frame.skew) return ellipse(centre, (frame.w / 2) * share, (frame.h / 2) * share)
  const { u, v } = scaledAxes(frame, share)
  const half = { kind: 'arc', ...ellipseAxes(u.x, u.y, v.x, v.y), large: false, sweep: true } as const
  const from = subtract(centre, u),
    to = add(centre, u)
  return {
    segments: [
      { ...half, from, to },
      { ...half, from: to, to: from },
    ],
    closed: true,
  }
}

/** The place of an ellipse at an angle in degrees, anticlockwise from its right. */
export function ellipsePlace(frame: Frame, degrees: number, share = 1): Point {
  const { cos, sin } = cosSin(-degrees)
  return framePoint(frame, { x: 0.5 + 0.5 * share * cos, y: 0.5 + 0.5 * share * sin })
}

/**
 * The arc between two angles, anticlockwise on screen; two arcs beyond half a turn, so that the centre is well defined.
 */
function arcs(frame: Frame, share: number, from: number, to: number): Arc[] {
  const { u, v } = scaledAxes(frame, share)
  const axes = ellipseAxes(u.x, u.y, v.x, v.y)
  const extent = (((to - from) % 360) + 360) % 360 || 360
  const stops = extent > 180 ? [from, from + extent / 2, from + extent] : [from, from + extent]
  return stops.slice(1).map((end, i) => ({
    kind: 'arc',
    ...axes,
    large: false,
    sweep: false,
    from: ellipsePlace(frame, stops[i]!, share),
    to: ellipsePlace(frame, end, share),
  }))
}
