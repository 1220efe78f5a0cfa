import { flattened } from '../geometry/flat'
import type { Path } from '../geometry/path'
import { MEETING, OFFSET, REACH, SNAP } from '../geometry/tolerance'
import { followers } from './around'
import { cutEachOther } from './cutting'
import { mergedEdges } from './edges'
import { facesOf } from './faces'
import { piecesOf } from './pieces'
import type { Arrangement } from './plane'
import { fault } from './verify'
import { Vertices } from './vertices'

/** How open contours take part: closed by a straight line, as in filling, or as cutting lines only. */
type Laying = { readonly open?: 'close' | 'cut' }

/** The factor by which the snap grows after an arrangement failed its check. */
const RETRIES = [1, 8, 64, 512]

/**
 * The verified arrangement of paths. Where the check fails, the snap is widened, and at last curves are flattened.
 * Throws on coordinates that are not finite, when no arrangement can be verified, and `OutOfTime`.
 */
export function arrange(paths: readonly Path[], { open = 'close' }: Laying = {}): Arrangement {
  const scale = scaleOf(paths)
  let wrong = ''
  for (const flat of [false, true]) {
    const laid = flat ? paths.map((path) => flattened(path, OFFSET * scale)) : paths
    for (const retry of RETRIES) {
      const { arrangement, insideOut } = laidOut(laid, open, SNAP * scale * retry, MEETING * scale * retry)
      const found = fault(arrangement, paths.length) ?? (insideOut ? 'a face is inside out' : null)
      if (found === null) return arrangement
      wrong = found
    }
  }
  throw new Error(`The outlines meet in a way that cannot be resolved: ${wrong}.`)
}

function laidOut(
  paths: readonly Path[],
  open: 'close' | 'cut',
  snap: number,
  meeting: number,
): { arrangement: Arrangement; insideOut: boolean } {
  const vertices = new Vertices(snap)
  const pieces = piecesOf(paths, open, snap)
  cutEachOther(pieces, vertices, snap, meeting)
  const edges = mergedEdges(pieces, vertices.points, snap)
  const next = followers(edges, vertices.points.length, snap)
  const { insideOut, ...faces } = facesOf(paths.length, edges, next, vertices.points, snap)
  return { arrangement: { vertices: vertices.points, edges, next, ...faces, snap }, insideOut }
}

/** The scale of the tolerances: 1 for drawings within `REACH`, proportional to their size beyond it. */
function scaleOf(paths: readonly Path[]): number {
  let most = 0
  for (const path of paths) {
    for (const { segments } of path) {
      for (const segment of segments) {
        const { from, to } = segment
        most = Math.max(most, Math.abs(from.x), Math.abs(from.y), Math.abs(to.x), Math.abs(to.y))
        // Whatever else a segment has must be numbers as well: a NaN stays one.
        if (segment.kind === 'arc') most += 0 * (segment.rx + segment.ry + segment.turn)
        else if (segment.kind === 'cubic') most += 0 * (segment.c1.x + segment.c1.y + segment.c2.x + segment.c2.y)
      }
    }
  }
  if (!Number.isFinite(most)) throw new Error('A coordinate is not a finite number.')
  return Math.max(1, most / REACH)
}
