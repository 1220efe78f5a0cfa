import { type ArcCentre, arcCentre } from './arc'
import { splitCubic } from './cubic'
import { hypot, type Point } from './point'
import { pointAt, type Segment } from './segment'
import { SAME_POINT } from './tolerance'

/**
 * The part of a segment between two parameters, `from` < `to`; its ends may be given exactly, and of an arc its centre
 * where it is known.
 */
export function stretch(
  segment: Segment,
  from: number,
  to: number,
  start = pointAt(segment, from),
  end = pointAt(segment, to),
  centre?: ArcCentre | null,
): Segment {
  switch (segment.kind) {
    case 'line':
      return { kind: 'line', from: start, to: end }
    case 'arc': {
      const { extent, rx, ry } = centre ?? arcCentre(segment)
      return {
        kind: 'arc',
        from: start,
        to: end,
        rx,
        ry,
        turn: segment.turn,
        sweep: segment.sweep,
        large: Math.abs(extent) * (to - from) > Math.PI,
      }
    }
    case 'cubic': {
      const [, second] = splitCubic(segment, from)
      const [piece] = splitCubic(second, (to - from) / (1 - from))
      return { ...piece, from: start, to: end }
    }
  }
}

/** A part of an arc by its centre, between two parameters. */
export const stretchOfTurn = (round: ArcCentre, from: number, to: number): ArcCentre => ({
  centre: round.centre,
  rx: round.rx,
  ry: round.ry,
  start: round.start + round.extent * from,
  extent: round.extent * (to - from),
})

/**
 * The direction in which a segment leaves its start (`end` false) or arrives at its end, not of unit length. An arc's
 * centre may be given.
 */
export function tangent(segment: Segment, end: boolean, round?: ArcCentre | null): Point {
  switch (segment.kind) {
    case 'line':
      return { x: segment.to.x - segment.from.x, y: segment.to.y - segment.from.y }
    case 'arc': {
      const { centre, rx, ry, start, extent } = round ?? arcCentre(segment)
      if (rx === ry) {
        const at = end ? segment.to : segment.from,
          way = segment.sweep ? 1 : -1
        return { x: way * (centre.y - at.y), y: way * (at.x - centre.x) }
      }
      const angle = end ? start + extent : start
      const x = -rx * Math.sin(angle) * Math.sign(extent),
        y = ry * Math.cos(angle) * Math.sign(extent)
      const cos = Math.cos(segment.turn),
        sin = Math.sin(segment.turn)
      return { x: cos * x - sin * y, y: sin * x + cos * y }
    }
    case 'cubic': {
      const points = [segment.from, segment.c1, segment.c2, segment.to]
      if (end) points.reverse()
      const base = points[0]!
      const other = points.find((p) => hypot(p.x - base.x, p.y - base.y) > SAME_POINT) ?? points[3]!
      return end ? { x: base.x - other.x, y: base.y - other.y } : { x: other.x - base.x, y: other.y - base.y }
    }
  }
}
