import { sweptTwice } from '../../geometry/area'
import { type Box, boxCentre, boxUnion } from '../../geometry/box'
import { type Contour, type Path, pathBounds } from '../../geometry/path'
import type { Loss } from '../../findings/loss'
import { distance, type Point } from '../../geometry/point'
import { pointAt } from '../../geometry/segment'
import { AXES, type Axis } from './mark'
import { mirroredPairs, mirrorSum, type Pair, unevenAt } from './mirror-image'

/**
 * What a designer would send back of a picture that was brought to another grid: a contour that came or went, segments
 * that came (an end through a wall, a joint torn open), a contour that was its own mirror image, or that of another, and is
 * not any more, or one that lies elsewhere or is of another size than plain scaling would have it. The place is on the other grid.
 */
export type FitLoss = Loss<keyof typeof LOSS_WORDS> & { readonly at: Point }

const loss = (what: keyof typeof LOSS_WORDS, at: Point): FitLoss => ({ what, why: LOSS_WORDS[what], at })

/** What a loss is, in a sentence about its place. */
const LOSS_WORDS = {
  contours: 'Parts join or come apart here that did not before.',
  segments: 'The end of a stroke shows, or a joint opens here.',
  lopsided: 'This was symmetric, or the mirror image of another part, and no longer is.',
  moved: 'This has moved, or has another size, compared with the other sizes.',
}

/** A contour as pictures are compared by it. */
type Outline = {
  readonly contour: Contour
  /** Twice its signed area. */
  readonly swept: number
  readonly box: Box
  readonly count: number
  /** How many of its segments are long enough to be seen. */
  readonly seen: number
  /** Which mirror images it is equal to: left and right, up and down. */
  readonly isEven: Record<Axis, boolean>
}

/** A wanted contour, and its plainly scaled form, if there is one. */
type Wanted = Outline & { readonly plain: Outline | null }

/** How far a contour and its mirror image may be apart, in units of the grid it was drawn on, and of the other grid. */
const EVEN_BEFORE = 0.01,
  EVEN_AFTER = 0.06

/** How much of a contour's area is left at least: strokes that become thinner take some of it. */
const LEFT = 0.2

/** How far a side of a contour may be from where plain scaling has it, in units of the other grid. */
const AWAY = 1.5

/** The length, in units of the other grid, from which a segment is seen: shorter ones are slivers of joints. */
const SEEN = 0.35

/** By how much the share of its box that a contour fills may differ from that of plain scaling. */
const OTHER = 0.3
/** Boxes are taken to be at least so large, in square units of the other grid. */
const SMALL = 1

/** The comparison picture of a drawing before it is fitted. */
export type Original = {
  readonly outlines: readonly Outline[]
  /** The other grid's size by its own. */
  readonly scale: number
  readonly wanted: readonly Wanted[]
  /** Pairs of contours that are mirror images of each other. */
  readonly pairs: readonly Pair<Wanted>[]
  /** Ratio of the other grid's size to that of the wanted picture. */
  readonly grown: number
}

/**
 * Makes the comparison picture of a drawing. `scale` is the ratio of the grids. `plain` is the ink of the plainly
 * scaled drawing with the weights and radii of the other grid: segments that these create, such as the inner arc of a
 * corner under a thinner stroke, are no losses.
 */
export function originalOf(ink: Path, plain: Path, scale: number): Original {
  const outlines = ink.map((contour) => outlineOf(contour, EVEN_BEFORE))
  const left = new Set(plain.map((contour) => outlineOf(contour, null)))
  const wanted = outlines.map((was) => {
    const is = nearestTo(was, left, scale)
    if (is) left.delete(is)
    return { ...was, count: Math.max(was.count, is?.count ?? 0), plain: is }
  })
  return { outlines, scale, wanted, pairs: pairsOf(wanted), grown: scale }
}

/** The same, where the weights of the other grid join or part contours whatever is done: the plain picture is wanted. */
export function withPlainWanted(original: Original, plain: Path): Original {
  const wanted = plain.map((contour) => {
    const outline = outlineOf(contour, EVEN_BEFORE)
    return { ...outline, plain: outline }
  })
  return { ...original, wanted, pairs: pairsOf(wanted), grown: 1 }
}

const pairsOf = (wanted: readonly Wanted[]): Pair<Wanted>[] =>
  AXES.flatMap((axis) => mirroredPairs(wanted, axis, EVEN_BEFORE))

/** Differences of a picture from the comparison picture; none if it is the same drawing. */
export function fitLossesOf({ wanted: outlines, pairs, grown: scale }: Original, ink: Path): FitLoss[] {
  const now = ink.map((contour) => outlineOf(contour, null))
  if (now.length !== outlines.length) return [loss('contours', placeOfChange(outlines, now, scale))]
  const left = new Set(now)
  const losses: FitLoss[] = []
  const became = new Map<Outline, Outline>()
  for (const was of [...outlines].sort((a, b) => Math.abs(b.swept) - Math.abs(a.swept))) {
    const is = nearestTo(was, left, scale)
    if (!is) return [...losses, loss('contours', scaledCentre(was, scale))]
    left.delete(is)
    became.set(was, is)
    if (isShrunk(was, is, scale)) losses.push(loss('contours', boxCentre(is.box)))
    else if (was.plain && isElsewhere(was.plain, is)) losses.push(loss('moved', boxCentre(is.box)))
    if (is.seen > was.count) losses.push(loss('segments', newPlace(was, is, scale)))
    for (const axis of AXES) {
      const away = was.isEven[axis] ? leansAt(is.contour, is.box, axis, EVEN_AFTER) : null
      if (away) losses.push(loss('lopsided', away))
    }
  }
  for (const { axis, one, other } of pairs) {
    const [a, b] = [became.get(one)!, became.get(other)!]
    const away = unevenAt(a.contour, b.contour, axis, mirrorSum(boxUnion([a.box, b.box])!, axis), EVEN_AFTER)
    if (away) losses.push(loss('lopsided', away))
  }
  return losses
}

function outlineOf(contour: Contour, even: number | null): Outline {
  const box = pathBounds([contour])!
  const { segments } = contour
  return {
    contour,
    box,
    swept: segments.reduce((sum, segment) => sum + sweptTwice(segment), 0),
    count: segments.length,
    seen: segments.filter(
      (segment) => distance(segment.from, pointAt(segment, 0.5)) + distance(pointAt(segment, 0.5), segment.to) >= SEEN,
    ).length,
    isEven: {
      x: even !== null && leansAt(contour, box, 'x', even) === null,
      y: even !== null && leansAt(contour, box, 'y', even) === null,
    },
  }
}

/** A place where a contour is not its own mirror image about the middle of its box; null where it is. */
const leansAt = (contour: Contour, box: Box, axis: Axis, near: number): Point | null =>
  unevenAt(contour, contour, axis, mirrorSum(box, axis), near)

const scaledCentre = ({ box }: Outline, scale: number): Point => {
  const { x, y } = boxCentre(box)
  return { x: x * scale, y: y * scale }
}

/** How unlike a contour another one is, in units of the other grid: by the four sides of their boxes. */
const unlike = (was: Outline, is: Outline, scale: number): number =>
  Math.abs(was.box.x * scale - is.box.x) +
  Math.abs(was.box.y * scale - is.box.y) +
  Math.abs((was.box.x + was.box.w) * scale - is.box.x - is.box.w) +
  Math.abs((was.box.y + was.box.h) * scale - is.box.y - is.box.h)

/** Whether so little is left of a contour that it is none any more. */
const isShrunk = (was: Outline, is: Outline, scale: number): boolean =>
  Math.abs(is.swept) < LEFT * scale * scale * Math.abs(was.swept)

/** Whether a contour lies elsewhere, or is of another size, than it would by plain scaling. */
const isElsewhere = (plain: Outline, is: Outline): boolean =>
  Math.abs(plain.box.x - is.box.x) > AWAY ||
  Math.abs(plain.box.y - is.box.y) > AWAY ||
  Math.abs(plain.box.x + plain.box.w - is.box.x - is.box.w) > AWAY ||
  Math.abs(plain.box.y + plain.box.h - is.box.y - is.box.h) > AWAY ||
  Math.abs(fullness(plain) - fullness(is)) > OTHER

/** The share of its box that a contour fills. */
const fullness = ({ swept, box }: Outline): number => Math.abs(swept) / 2 / Math.max(box.w * box.h, SMALL)

/** The contour that another one came to: of those that run the same way around, the likest. */
function nearestTo(was: Outline, among: ReadonlySet<Outline>, scale: number): Outline | null {
  let best: Outline | null = null
  for (const one of among)
    if (one.swept * was.swept > 0 && (!best || unlike(was, one, scale) < unlike(was, best, scale))) best = one
  return best
}

/** The middle of the contour that has no like on the other side. */
function placeOfChange(before: readonly Outline[], after: readonly Outline[], scale: number): Point {
  const [more, fewer, isAfter] = after.length > before.length ? [after, before, true] : [before, after, false]
  const least = (one: Outline) =>
    Math.min(...fewer.map((other) => (isAfter ? unlike(other, one, scale) : unlike(one, other, scale))), Infinity)
  const odd = more.reduce((most, one) => (least(one) > least(most) ? one : most))
  return isAfter ? boxCentre(odd.box) : scaledCentre(odd, scale)
}

/** The node of a contour that is farthest from all nodes that it had before. */
function newPlace(was: Outline, is: Outline, scale: number): Point {
  const nodes = was.contour.segments.map(({ from }) => ({ x: from.x * scale, y: from.y * scale }))
  let most = -1,
    place = is.contour.segments[0]!.from
  for (const { from } of is.contour.segments) {
    const away = Math.min(...nodes.map((p) => Math.hypot(p.x - from.x, p.y - from.y)))
    if (away > most) [most, place] = [away, from]
  }
  return place
}
