import { lengthTo, segmentLength } from '../../geometry/lengths'
import { stretch } from '../../geometry/stretch'
import { type Contour, ellipse, type Path, polyline } from '../../geometry/path'
import type { Point } from '../../geometry/point'
import { reverse } from '../../geometry/segment'
import { directionAt } from '../../geometry/slope'
import { strokedArea } from '../../outline/stroking'
import { combine } from '../../planar/boolean'
import type { Head } from '../model/style'
import type { ResolvedStroke } from '../model/resolved'
import { SAME_POINT } from '../../geometry/tolerance'

/**
 * Sizes of heads in widths of the stroke: how long and how wide to each side, and how much of the line a filled head
 * takes the place of.
 */
const LONG = 3,
  WIDE = 1.5,
  TAKEN = 2,
  DOT = 1.25

/**
 * What a stroke with heads at its open ends paints, as one outline to be filled. Filled heads end where the line did.
 */
export function headedOutline(
  path: Path,
  stroke: ResolvedStroke,
  start: Head | undefined,
  end: Head | undefined,
): Path {
  const lines: Contour[] = []
  const drawn: Path[] = []
  for (const contour of path) {
    if (contour.closed || contour.segments.length === 0) {
      lines.push(contour)
      continue
    }
    lines.push(
      shortened(contour, start === 'arrow' ? TAKEN * stroke.width : 0, end === 'arrow' ? TAKEN * stroke.width : 0),
    )
    const first = contour.segments[0]!,
      last = contour.segments.at(-1)!
    if (start) drawn.push(head(start, first.from, directionAt(reverse(first), 1), stroke))
    if (end) drawn.push(head(end, last.to, directionAt(last, 1), stroke))
  }
  return combine([
    { path: strokedArea(lines, stroke), role: 'adds' },
    ...drawn.map((one) => ({ path: one, role: 'adds' as const })),
  ])
}

function head(kind: Head, tip: Point, { x, y }: Point, stroke: ResolvedStroke): Path {
  const w = stroke.width
  const at = (back: number, aside: number): Point => ({
    x: tip.x - x * back * w - y * aside * w,
    y: tip.y - y * back * w + x * aside * w,
  })
  const plain = { width: w, cap: stroke.cap, join: stroke.join, miterLimit: stroke.miterLimit }
  switch (kind) {
    case 'arrow':
      return [polyline([tip, at(LONG, WIDE), at(LONG, -WIDE)], true)]
    case 'open':
      return strokedArea([polyline([at(WIDE, WIDE), tip, at(WIDE, -WIDE)], false)], plain)
    case 'bar':
      return strokedArea([polyline([at(0, WIDE), at(0, -WIDE)], false)], plain)
    case 'dot':
      return [ellipse(tip, DOT * w, DOT * w)]
  }
}

/** Shortens an open contour at both ends; at least a hundredth of its length stays. */
function shortened({ segments }: Contour, atStart: number, atEnd: number): Contour {
  const whole = segments.reduce((sum, segment) => sum + segmentLength(segment), 0)
  const scale = Math.min(1, (0.99 * whole) / (atStart + atEnd || 1))
  const from = atStart * scale,
    to = whole - atEnd * scale
  let done = 0
  const kept = segments.flatMap((segment) => {
    const long = segmentLength(segment),
      begin = done
    done += long
    if (done <= from + SAME_POINT || begin >= to - SAME_POINT) return []
    const a = begin < from ? lengthTo(segment, from - begin) : 0,
      b = done > to ? lengthTo(segment, to - begin) : 1
    return [a === 0 && b === 1 ? segment : stretch(segment, a, b)]
  })
  return { segments: kept, closed: false }
}
