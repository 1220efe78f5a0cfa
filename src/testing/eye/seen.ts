import { plumbEdges, softIn, stemsBetween } from './edges'
import { type Coverage, coverageOf, FINE, type Ink, transposed } from './ink'
import { isLopsided, isMirrored } from './mirror'
import { centreOf, countersOf, heightOf, type Piece, piecesOf, widthOf } from './pieces'

/** What an expert would send an icon back for, with a note for the bench. */
export type Seen = {
  readonly what: 'lopsided' | 'parts' | 'lost' | 'unequal' | 'uneven' | 'soft' | 'oval' | 'spacing'
  readonly note: string
}

const PIXEL = FINE * FINE

/** What an eye sees of an icon that was brought to a size: `plain` is the same drawing only scaled to it. */
export function seenIn(plain: Ink, fitted: Ink): { readonly seen: Seen[]; readonly crisp: number | null } {
  const seen: Seen[] = []
  const say = (what: Seen['what'], note = '') => seen.push({ what, note })
  const was = { pieces: piecesOf(plain), counters: countersOf(plain) },
    is = { pieces: piecesOf(fitted), counters: countersOf(fitted) }
  const isWhole = was.pieces.length === is.pieces.length && was.counters.length === is.counters.length
  const views = [
    [plain, fitted],
    [transposed(plain), transposed(fitted)],
  ] as const
  if (!isWhole) say('parts', `${was.pieces.length}/${was.counters.length} to ${is.pieces.length}/${is.counters.length}`)
  if (views.some(([before, after]) => isMirrored(before) && isLopsided(coverageOf(after)))) say('lopsided')
  const pixels = coverageOf(fitted)
  if (is.counters.some((counter) => counter.area > 0.6 * PIXEL && leastIn(counter, pixels) > 0.7)) say('lost')
  if (was.pieces.length === is.pieces.length) {
    const pairs = was.pieces.map((piece) => [piece, becameOf(piece, is.pieces)] as const)
    if (pairs.some(([a, b], i) => pairs.slice(i + 1).some(([c, d]) => isUnequal(a, c, b, d)))) say('unequal')
    if (pairs.some(([a, b]) => isOval(a, b))) say('oval')
    if (isUnevenlySpaced(pairs)) say('spacing')
  }
  const [edges, edgesBefore] = [1, 0].map((side) => views.map((view) => plumbEdges(view[side]!))) as [
    ReturnType<typeof plumbEdges>[],
    ReturnType<typeof plumbEdges>[],
  ]
  const stems = edges.flatMap(stemsBetween).filter((width) => width < 3.9),
    stemsBefore = edgesBefore.flatMap(stemsBetween).filter((width) => width < 3.2)
  if (stemsBefore.length > 1 && spread(stemsBefore) < 0.13 && stems.length > 1 && spread(stems) > 0.3)
    say('uneven', `${Math.min(...stems).toFixed(1)} to ${Math.max(...stems).toFixed(1)}`)
  const all = edges.flat().length,
    soft = edges.reduce((sum, list) => sum + softIn(list), 0)
  if (all >= 3 && soft / all > 0.5) say('soft', `${soft} of ${all}`)
  return { seen, crisp: all === 0 ? null : 1 - soft / all }
}

const spread = (values: readonly number[]): number => Math.max(...values) - Math.min(...values)

/** The least covered pixel that a piece reaches. */
function leastIn({ x0, y0, x1, y1 }: Piece, { shares, w }: Coverage): number {
  let least = 1
  for (let y = Math.floor(y0 / FINE); y <= Math.floor(y1 / FINE); y++)
    for (let x = Math.floor(x0 / FINE); x <= Math.floor(x1 / FINE); x++) least = Math.min(least, shares[y * w + x]!)
  return least
}

/** The piece that another one became: the nearest of its size. */
function becameOf(piece: Piece, among: readonly Piece[]): Piece {
  const at = centreOf(piece)
  const away = (other: Piece) =>
    Math.hypot(centreOf(other).x - at.x, centreOf(other).y - at.y) +
    Math.abs(widthOf(other) - widthOf(piece)) +
    Math.abs(heightOf(other) - heightOf(piece))
  return among.reduce((best, other) => (away(other) < away(best) ? other : best))
}

/** Whether two equal pieces came out unequal by a third of a pixel. */
const isUnequal = (a: Piece, c: Piece, b: Piece, d: Piece): boolean =>
  isAlike(a, c) &&
  b !== d &&
  (Math.abs(widthOf(b) - widthOf(d)) > 0.3 * FINE || Math.abs(heightOf(b) - heightOf(d)) > 0.3 * FINE)

const isAlike = (a: Piece, b: Piece): boolean =>
  a.area > 0.3 * PIXEL &&
  Math.abs(a.area - b.area) < 0.012 * a.area &&
  Math.abs(widthOf(a) - widthOf(b)) <= 1 &&
  Math.abs(heightOf(a) - heightOf(b)) <= 1

/** Whether a round dot of up to four pixels came out oval by a quarter. */
function isOval(was: Piece, is: Piece): boolean {
  const wide = widthOf(was),
    round = (Math.PI / 4) * wide * wide
  const isDot = wide <= 4 * FINE && Math.abs(wide - heightOf(was)) <= 1 && Math.abs(was.area - round) < 0.04 * round
  const sides = [widthOf(is), heightOf(is)]
  return isDot && Math.max(...sides) > 1.25 * Math.min(...sides)
}

/** Whether three or more equal pieces in an evenly spaced row or column came out unevenly spaced by more than a pixel. */
function isUnevenlySpaced(pairs: readonly (readonly [Piece, Piece])[]): boolean {
  return (['x', 'y'] as const).some((axis) => {
    const other = axis === 'x' ? 'y' : 'x'
    return pairs.some(([first]) => {
      const row = pairs
        .filter(([piece]) => isAlike(first, piece) && Math.abs(centreOf(piece)[other] - centreOf(first)[other]) <= 1)
        .sort(([a], [b]) => centreOf(a)[axis] - centreOf(b)[axis])
      if (row.length < 3) return false
      const steps = (side: 0 | 1) =>
        row.slice(1).map((pair, i) => centreOf(pair[side])[axis] - centreOf(row[i]![side])[axis])
      return spread(steps(0)) <= 2 && spread(steps(1)) > 1.01 * FINE
    })
  })
}
