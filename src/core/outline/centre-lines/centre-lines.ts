import { connected } from '../../geometry/connected'
import { distanceTo } from '../../geometry/distance-to'
import { OutOfTime } from '../../geometry/deadline'
import { type Contour, type Path, pathBounds } from '../../geometry/path'
import { measure } from '../../geometry/measure'
import { distance, type Point } from '../../geometry/point'
import { line, pointAt, type Segment } from '../../geometry/segment'
import { winding } from '../../geometry/winding'
import type { Stroke } from '../line-style'
import { beside } from '../parallel'
import { isSameOutline } from '../same-outline'
import { strokedArea } from '../stroking'
import { carriersOf } from './carriers'
import { pathsOf } from './paths'
import { skeletonOf } from './skeleton'
import { commonThickness } from './thickness'

/** A connected piece of an area with its holes, and its centre lines with how they are stroked; null where it has none. */
export type Piece = { readonly area: Path; readonly stroked: { readonly path: Path; readonly stroke: Stroke } | null }

/** Rounds a number that may be off by so much. */
export type Rounding = (value: number, within: number) => number

/** The most segments of an outline, and of each of its contours, that is looked at: noise makes many of few. */
const MOST = 400,
  MOST_EACH = 20

/** The most carriers of the centre lines of one piece. */
const MOST_CARRIERS = 56

/** A bar with blunt ends that is shorter, in widths, is no stroke. */
const LONG = 1.5

/** Numbers that differ by less are one. */
const EXACT = 1e-4

/** Upper bound for the movement by rounding, in tolerances. */
const ROUNDED_BY = 8

/**
 * The centre lines of an area that is equally thick nearly all along, as strokes leave it when they are outlined: lines,
 * circles and curves that lie half a thickness inside of its outline on both sides, joined through crossings. Each piece
 * is stroked again and compared: it has centre lines only where that gives the same within `within`, in units. Empty
 * where the area has no common thickness.
 */
export function centreLines(area: Path, within: number, short: Rounding): Piece[] {
  const segments = area.flatMap((contour) => contour.segments)
  if (
    segments.length < 2 ||
    segments.length > Math.min(MOST, MOST_EACH * (area.length + 1)) ||
    area.some(({ closed }) => !closed)
  )
    return []
  const inward = inwardOf(area, within)
  const thick = commonThickness(area, inward, within / 2)
  if (thick === null || thick < 8 * within) return []
  const pieces = connected(area).map((piece) => ({
    area: piece,
    stroked: ofPiece(piece, inward, short(thick, within), within, short),
  }))
  // A disc by itself is a dot of any stroke that wide, and no stroke.
  const isStroked = pieces.some(({ stroked }) => stroked && !isDot(stroked.path))
  return isStroked ? pieces : pieces.map((piece) => ({ ...piece, stroked: null }))
}

function ofPiece(area: Path, inward: 1 | -1, width: number, within: number, short: Rounding): Piece['stroked'] {
  const half = width / 2,
    near = 2 * within
  const dot = dotOf(area, half, within)
  const found = dot ? null : carriersOf(area, inward, half, near)
  // Noise in an outline tells of many lines where there is one.
  if (found && found.carriers.length > MOST_CARRIERS) return null
  const skeleton = found && skeletonOf(area, found, half, near)
  // First with the precision of few digits, then exactly.
  for (const slack of [within / 2, EXACT]) {
    const rounded = (value: number) => short(value, slack)
    // Degenerate lines are dropped; the proof below notices if one is missed.
    const path = (skeleton ? pathsOf(skeleton, rounded) : [pointAs(dot!, rounded)]).filter(
      ({ segments }) => segments.length > 0,
    )
    if (path.length === 0) return null
    for (const style of stylesOf(path, area, half, within)) {
      if (style.cap === 'butt' && path.every((one) => measure([one]).length < LONG * width)) continue
      const stroke: Stroke = { width, ...style }
      try {
        if (isSameOutline(strokedArea(path, stroke), area, within)) return { path, stroke }
      } catch (error) {
        if (error instanceof OutOfTime) throw error
        return null
      }
    }
  }
  return null
}

/**
 * The caps and joins by which a path may paint an area, the most likely first: round ones leave every place of its outline
 * half a width from the path, mitered corners are farther, blunt ends nearer; where it is hardly so, rounding may have
 * done it. None where a place is nearer elsewhere.
 */
function stylesOf(
  path: Path,
  area: Path,
  half: number,
  within: number,
): readonly Pick<Stroke, 'cap' | 'join' | 'miterLimit'>[] {
  const away = distanceTo(path),
    ends = path.flatMap(({ segments, closed }) => (closed ? [] : [segments[0]!.from, segments.at(-1)!.to]))
  let nearest = 0,
    farthest = 0
  for (const { segments } of area)
    for (const segment of segments)
      for (const t of [0, 0.25, 0.5, 0.75]) {
        const p = pointAt(segment, t),
          off = away(p) - half
        farthest = Math.max(farthest, off)
        nearest = Math.min(nearest, off)
        if (off < -within && ends.every((end) => distance(end, p) > half + within)) return []
      }
  const told = <T>(off: number, plain: T, other: T): readonly T[] =>
    off <= within ? [plain] : off <= ROUNDED_BY * within ? [plain, other] : [other]
  const caps = told(-nearest, 'round' as const, 'butt' as const),
    joins = told(farthest, 'round' as const, 'miter' as const)
  return joins.flatMap((join) => caps.map((cap) => ({ cap, join, miterLimit: 10 })))
}

const isDot = ([contour]: Path): boolean => {
  const [only, ...more] = contour!.segments
  return more.length === 0 && distance(only!.from, only!.to) === 0
}

const pointAs = ({ x, y }: Point, rounded: (value: number) => number): Contour => {
  const at = { x: rounded(x), y: rounded(y) }
  return { closed: false, segments: [line(at, at)] }
}

/** The middle of a piece that is a circle as wide as the stroke: a dot, which is a line of no length. */
function dotOf(area: Path, half: number, within: number): Point | null {
  if (area.length !== 1) return null
  const { x, y, w, h } = pathBounds(area)!
  const middle = { x: x + w / 2, y: y + h / 2 }
  const isRound = area[0]!.segments.every((segment) =>
    [0, 0.5].every((t) => Math.abs(distance(pointAt(segment, t), middle) - half) <= within),
  )
  return isRound ? middle : null
}

/** On which side of its outline an area lies: 1 to the right on screen, -1 to the left. */
function inwardOf(area: Path, within: number): 1 | -1 {
  const longest = area
    .flatMap(({ segments }) => segments)
    .reduce((best, one) => (spanOf(one) > spanOf(best) ? one : best))
  return winding(area, beside(longest, 0.5, within)) !== 0 ? 1 : -1
}

const spanOf = (segment: Segment): number => distance(segment.from, pointAt(segment, 0.5))
