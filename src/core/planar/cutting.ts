import { type Curve, parameterAt } from '../geometry/curve'
import { keepTime } from '../geometry/deadline'
import { intersect } from '../geometry/intersect'
import type { Point } from '../geometry/point'
import type { Piece } from './pieces'
import type { Vertices } from './vertices'

/**
 * Records the cuts of every piece: at its meetings with others, then at every vertex within the snap. Afterwards every
 * vertex on a piece is a cut of it.
 */
export function cutEachOther(pieces: readonly Piece[], vertices: Vertices, snap: number, meeting: number): void {
  // Input nodes come first, so their coordinates are kept.
  for (const { curve, cuts } of pieces)
    cuts.push({ t: 0, vertex: vertices.of(curve.segment.from) }, { t: 1, vertex: vertices.of(curve.segment.to) })
  eachPair(pieces, snap, (piece, other) => {
    for (const { at, s, t } of intersect(piece.curve as Curve, other.curve, meeting).meetings) {
      const vertex = vertices.of(at)
      note(piece, s, vertex)
      note(other, t, vertex)
    }
  })
  close(pieces, vertices.points, snap)
}

/** Least distance of a cut from the ends of a piece, as a parameter. */
const END = 1e-14

/** A cut of a piece at a vertex. */
function note({ cuts }: Piece, t: number, vertex: number): void {
  // An end that is met again: it has its cut.
  if ((cuts[0]!.vertex === vertex && t < 0.5) || (cuts[1]!.vertex === vertex && t > 0.5)) return
  cuts.push({ t: t < END ? END : t > 1 - END ? 1 - END : t, vertex })
}

/**
 * Pairs of pieces whose bounds come near, by a sweep along x. What the sweep passes is kept by bands of y, so that a
 * piece is compared with little but its neighbours.
 */
function eachPair(pieces: readonly Piece[], snap: number, visit: (piece: Piece, other: Piece) => void): void {
  const byX = pieces.toSorted((a, b) => a.curve.box.x - b.curve.box.x)
  let top = Infinity,
    bottom = -Infinity
  for (const { curve } of pieces) {
    top = Math.min(top, curve.box.y)
    bottom = Math.max(bottom, curve.box.y + curve.box.h)
  }
  const count = Math.max(1, Math.min(256, Math.round(Math.sqrt(pieces.length) / 2)))
  const bandOf = (y: number) => Math.max(0, Math.min(count - 1, Math.floor(((y - top) / (bottom - top || 1)) * count)))
  const bands: Piece[][] = Array.from({ length: count }, () => [])
  for (const piece of byX) {
    keepTime()
    const { box } = piece.curve
    const left = box.x - snap,
      high = box.y - snap,
      low = box.y + box.h + snap
    const first = bandOf(high),
      last = bandOf(low)
    for (let b = first; b <= last; b++) {
      const band = bands[b]!
      let kept = 0
      for (let i = 0; i < band.length; i++) {
        const other = band[i]!,
          far = other.curve.box
        if (far.x + far.w < left) continue
        band[kept++] = other
        // A pair that shares several bands is looked at in the first of them.
        if (far.y <= low && far.y + far.h >= high && (count === 1 || Math.max(first, bandOf(far.y - snap)) === b))
          visit(piece, other)
      }
      band.length = kept
      band.push(piece)
    }
  }
}

/** Cuts pieces at vertices within the snap: three pieces need not meet in one point, even if each two of them do. */
function close(pieces: readonly Piece[], points: readonly Point[], snap: number): void {
  const rows = rowsOf(points)
  // The last piece, counted from one, that is known to be cut at each vertex.
  const cutBy = new Int32Array(points.length)
  for (let p = 0; p < pieces.length; p++) {
    keepTime()
    const piece = pieces[p]!,
      { curve, cuts } = piece,
      { box, round, segment } = curve,
      { from, to } = segment
    for (let i = 0; i < cuts.length; i++) cutBy[cuts[i]!.vertex] = p + 1
    const left = box.x - snap,
      right = box.x + box.w + snap,
      top = box.y - snap,
      bottom = box.y + box.h + snap
    // A cheap test first: is the point near the line, or in a ring around the circle, of the piece?
    const isLine = segment.kind === 'line',
      isCircle = round !== null && round.rx === round.ry
    const dx = to.x - from.x,
      dy = to.y - from.y,
      near = snap * (Math.abs(dx) + Math.abs(dy))
    const cx = isCircle ? round.centre.x : 0,
      cy = isCircle ? round.centre.y : 0,
      r = isCircle ? round.rx : 0
    const least = (r - 2 * snap) * Math.max(0, r - 2 * snap),
      most = (r + 2 * snap) * (r + 2 * snap)
    const last = rows.of(bottom)
    for (let row = rows.of(top); row <= last; row++) {
      const { xs, ys, order } = rows.all[row]!
      for (let i = firstFrom(xs, left); i < xs.length; i++) {
        const x = xs[i]!,
          y = ys[i]!
        if (x > right) break
        if (y < top || y > bottom || cutBy[order[i]!] === p + 1) continue
        if (isLine) {
          if (Math.abs(dx * (y - from.y) - dy * (x - from.x)) > near) continue
        } else if (isCircle) {
          const square = (x - cx) * (x - cx) + (y - cy) * (y - cy)
          if (square < least || square > most) continue
        }
        const t = parameterAt(curve, points[order[i]!]!, snap)
        if (t !== null) note(piece, t, order[i]!)
      }
    }
  }
}

/** Points that lie at about the same height, by x. */
type Row = { readonly order: readonly number[]; readonly xs: Float64Array; readonly ys: Float64Array }

/** Points in rows by height, and the row of a height. */
function rowsOf(points: readonly Point[]): { readonly all: readonly Row[]; readonly of: (y: number) => number } {
  let top = Infinity,
    bottom = -Infinity
  for (const { y } of points) {
    top = Math.min(top, y)
    bottom = Math.max(bottom, y)
  }
  const count = Math.max(1, Math.min(256, Math.round(Math.sqrt(points.length) / 4)))
  const of = (y: number) => Math.max(0, Math.min(count - 1, Math.floor(((y - top) / (bottom - top || 1)) * count)))
  const rows: number[][] = Array.from({ length: count }, () => [])
  points.forEach(({ y }, i) => rows[of(y)]!.push(i))
  const all = rows.map((row) => {
    const order = row.sort((a, b) => points[a]!.x - points[b]!.x)
    return {
      order,
      xs: Float64Array.from(order, (i) => points[i]!.x),
      ys: Float64Array.from(order, (i) => points[i]!.y),
    }
  })
  return { all, of }
}

/** The index of the first of sorted numbers that is not less than a value. */
function firstFrom(xs: Float64Array, least: number): number {
  let lo = 0,
    hi = xs.length
  while (lo < hi) {
    const middle = (lo + hi) >> 1
    if (xs[middle]! < least) lo = middle + 1
    else hi = middle
  }
  return lo
}
