import { arcCentre } from './arc'
import { mix, type Point } from './point'
import { type Cubic, pointAt, type Segment } from './segment'

/** The part of a segment between two parameters, `from` < `to`; its ends may be given exactly. */
export function part(segment: Segment, from: number, to: number, start = pointAt(segment, from), end = pointAt(segment, to)): Segment {
  switch (segment.kind) {
    case 'line':
      return { kind: 'line', from: start, to: end }
    case 'arc': {
      const { extent, rx, ry } = arcCentre(segment)
      return { ...segment, rx, ry, from: start, to: end, large: Math.abs(extent) * (to - from) > Math.PI }
    }
    case 'cubic': {
      const [, second] = splitCubic(segment, from)
      const [piece] = splitCubic(second, (to - from) / (1 - from))
      return { ...piece, from: start, to: end }
    }
  }
}

/** A cubic in two at a parameter (de Casteljau). */
export function splitCubic({ from, c1, c2, to }: Cubic, t: number): [Cubic, Cubic] {
  const a = mix(from, c1, t), b = mix(c1, c2, t), c = mix(c2, to, t), d = mix(a, b, t), e = mix(b, c, t), f = mix(d, e, t)
  return [{ kind: 'cubic', from, c1: a, c2: d, to: f }, { kind: 'cubic', from: f, c1: e, c2: c, to }]
}

/** The direction in which a segment leaves its start (`end` false) or arrives at its end, not of unit length. */
export function tangent(segment: Segment, end: boolean): Point {
  switch (segment.kind) {
    case 'line':
      return { x: segment.to.x - segment.from.x, y: segment.to.y - segment.from.y }
    case 'arc': {
      const { rx, ry, start, extent } = arcCentre(segment)
      const angle = end ? start + extent : start
      const x = -rx * Math.sin(angle) * Math.sign(extent), y = ry * Math.cos(angle) * Math.sign(extent)
      const cos = Math.cos(segment.turn), sin = Math.sin(segment.turn)
      return { x: cos * x - sin * y, y: sin * x + cos * y }
    }
    case 'cubic': {
      const points = [segment.from, segment.c1, segment.c2, segment.to]
      if (end) points.reverse()
      const base = points[0]!
      const other = points.find((p) => Math.hypot(p.x - base.x, p.y - base.y) > 1e-9) ?? points[3]!
      return end ? { x: base.x - other.x, y: base.y - other.y } : { x: other.x - base.x, y: other.y - base.y }
    }
  }
}
