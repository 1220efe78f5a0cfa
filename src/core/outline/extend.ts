import { arcCentre, arcFromAngles } from '../geometry/arc'
import { curveOf } from '../geometry/curve'
import { intersect } from '../geometry/intersect'
import { stretch } from '../geometry/stretch'
import type { Contour, Path } from '../geometry/path'
import { distance, type Point } from '../geometry/point'
import { line, reverse, type Segment } from '../geometry/segment'
import { directionAt } from '../geometry/slope'
import { SNAP } from '../geometry/tolerance'

/** How far an end is drawn on in search of an edge, in grid units: across any square. */
const FAR = 1e4

/**
 * An open contour drawn on from its first or last end to the first edge of other paths it would meet: a line straight
 * on, a circular or elliptical arc round its ellipse, a cubic straight on from its end. Null when it meets nothing.
 */
export function extended(
  contour: Contour,
  last: boolean,
  others: Path,
): { readonly contour: Contour; readonly at: Point } | null {
  return atEnd(contour, last, (segments) => {
    const end = segments[segments.length - 1]!
    const onward = continuation(end)
    let best: { t: number; at: Point } | null = null
    for (const other of others) {
      for (const segment of other.segments) {
        for (const { at, s } of intersect(curveOf(onward), curveOf(segment)).meetings) {
          if (distance(at, end.to) > SNAP && (!best || s < best.t)) best = { t: s, at }
        }
      }
    }
    if (!best) return null
    const piece = stretch(onward, 0, best.t, end.to, best.at)
    const whole = end.kind === 'cubic' ? [end, piece] : [joined(end, piece)]
    return { segments: [...segments.slice(0, -1), ...whole], at: best.at }
  })
}

/** An open contour cut back from an end to the last edge of other paths that it crosses. Null when it crosses none. */
export function shortened(
  contour: Contour,
  last: boolean,
  others: Path,
): { readonly contour: Contour; readonly at: Point } | null {
  return atEnd(contour, last, (segments) => {
    for (let i = segments.length - 1; i >= 0; i--) {
      const own = segments[i]!
      let best: { s: number; at: Point } | null = null
      for (const other of others) {
        for (const segment of other.segments) {
          for (const { at, s } of intersect(curveOf(own), curveOf(segment)).meetings) {
            const end = i === segments.length - 1 && distance(at, own.to) <= SNAP,
              start = i === 0 && distance(at, own.from) <= SNAP
            if (!end && !start && s > 0 && (!best || s > best.s)) best = { s, at }
          }
        }
      }
      if (best)
        return {
          segments: [...segments.slice(0, i), best.s === 1 ? own : stretch(own, 0, best.s, own.from, best.at)],
          at: best.at,
        }
    }
    return null
  })
}

/** Works on the end of a contour, its first turned to be the last and back. */
function atEnd(
  { segments, closed }: Contour,
  last: boolean,
  change: (segments: readonly Segment[]) => { segments: Segment[]; at: Point } | null,
): { contour: Contour; at: Point } | null {
  if (closed) throw new Error('A closed contour has no end.')
  const turned = last ? segments : segments.toReversed().map(reverse)
  const result = change(turned)
  return (
    result && {
      contour: { segments: last ? result.segments : result.segments.toReversed().map(reverse), closed },
      at: result.at,
    }
  )
}

/** How a segment would go on beyond its end. */
function continuation(segment: Segment): Segment {
  if (segment.kind !== 'arc') {
    const d = directionAt(segment, 1)
    return line(segment.to, { x: segment.to.x + d.x * FAR, y: segment.to.y + d.y * FAR })
  }
  // Round to just before where the arc begins.
  const { centre, rx, ry, start, extent } = arcCentre(segment)
  const rest = (2 * Math.PI - Math.abs(extent)) * 0.9999
  const to = arcFromAngles(centre, rx, ry, segment.turn, start + extent + Math.sign(extent) * rest)
  return { ...segment, rx, ry, from: segment.to, to, large: rest > Math.PI }
}

function joined(a: Segment, b: Segment): Segment {
  if (a.kind !== 'arc' || b.kind !== 'arc') return line(a.from, b.to)
  return {
    ...a,
    rx: b.rx,
    ry: b.ry,
    to: b.to,
    large: Math.abs(arcCentre(a).extent) + Math.abs(arcCentre(b).extent) > Math.PI,
  }
}
