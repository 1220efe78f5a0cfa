import { curveOf } from '../../../geometry/curve'
import { keepTime } from '../../../geometry/deadline'
import { intersect } from '../../../geometry/intersect'
import { stretch } from '../../../geometry/stretch'
import { type Contour, type Path, pathBounds, transformPath } from '../../../geometry/path'
import { cross, distance, type Point, subtract } from '../../../geometry/point'
import { pointAt, reverse, type Segment } from '../../../geometry/segment'
import { SAME_PARAMETER, SAME_POINT } from '../../../geometry/tolerance'
import { apply, compose, cosSin, IDENTITY, rotation, type Transform } from '../../../geometry/transform'
/** The axis, count of folds and flip of a mirror. */
type Axis = { readonly at: Point; readonly angle: number; readonly folds: number; readonly flip: boolean }

/**
 * The map that turns things over at a line through a point; the angle of the line in degrees, anticlockwise from the
 * right.
 */
export function reflection({ x, y }: Point, angle: number): Transform {
  const { cos, sin } = cosSin(-2 * angle)
  return [cos, sin, sin, -cos, x - cos * x - sin * y, y - sin * x + cos * y]
}

/** The maps that give every image of a mirror's members, the members themselves first. */
export function imagesOf({ at, angle, folds, flip }: Axis): Transform[] {
  const turns = Array.from({ length: folds }, (_, i) => (i === 0 ? IDENTITY : rotation((360 * i) / folds, at)))
  return flip ? turns.flatMap((turn) => [turn, compose(turn, reflection(at, angle))]) : turns
}

/**
 * A path with all its images: open contours are joined where their ends meet, on the mirror line or from image to
 * image; closed ones are given one path for each image, so that images that overlap do not take each other away.
 */
export function mirrored(path: Path, images: readonly Transform[]): Path[] {
  const open = images.flatMap((map) =>
    transformPath(
      path.filter(({ closed }) => !closed),
      map,
    ),
  )
  const closed = path.filter((contour) => contour.closed)
  return [
    ...(open.length > 0 ? [joinedContours(open)] : []),
    ...(closed.length > 0 ? images.map((map) => transformPath(closed, map)) : []),
  ]
}

/** Ends nearer than this meet: images of a point on the mirror line differ by a few roundings. */
const MEET = 100 * SAME_POINT

/** Open contours joined end to end where they meet, and closed where a chain comes back to its beginning. */
function joinedContours(open: readonly Contour[]): Contour[] {
  const left = open.flatMap(({ segments }) => (segments.length > 0 ? [[...segments]] : []))
  const done: Contour[] = []
  while (left.length > 0) {
    let chain = left.shift()!
    for (let found = true; found;) {
      keepTime()
      found = false
      const end = chain[chain.length - 1]!.to
      if (distance(end, chain[0]!.from) <= MEET && chain.length > 1) break
      for (let i = 0; i < left.length; i++) {
        const other = left[i]!
        const joined = joinedTo(chain, other)
        if (!joined) continue
        chain = joined
        left.splice(i, 1)
        found = true
        break
      }
    }
    const first = chain[0]!,
      last = chain[chain.length - 1]!
    const closed = chain.length > 1 && distance(last.to, first.from) <= MEET
    done.push({ segments: closed ? [...chain.slice(0, -1), { ...last, to: first.from }] : chain, closed })
  }
  return done
}

function joinedTo(chain: Segment[], other: Segment[]): Segment[] | null {
  const backward = () => other.toReversed().map(reverse)
  const start = chain[0]!.from,
    end = chain[chain.length - 1]!.to
  const from = other[0]!.from,
    to = other[other.length - 1]!.to
  if (distance(end, from) <= MEET) return linked(chain, other)
  if (distance(end, to) <= MEET) return linked(chain, backward())
  if (distance(start, to) <= MEET) return linked(other, chain)
  if (distance(start, from) <= MEET) return linked(backward(), chain)
  return null
}

/** The second chain after the first, from exactly the same place. */
function linked(a: Segment[], b: Segment[]): Segment[] {
  const [first, ...rest] = b
  return [...a, { ...first!, from: a[a.length - 1]!.to }, ...rest]
}

/** The side of a line through a point on which a place is: positive to the left of its direction with y upwards. */
const sideOf = (p: Point, at: Point, angle: number): number => {
  const { cos, sin } = cosSin(-angle)
  return -cross({ x: cos, y: sin }, subtract(p, at))
}

/**
 * The half of a path on one side of a line (1 to its left, -1 to its right), open where the line cuts it; ends lie
 * exactly on the line. Contours wholly on the other side are left out.
 */
export function halfOf(path: Path, at: Point, angle: number, side: 1 | -1): Path {
  const box = pathBounds(path)
  if (!box) return []
  const reach = box.w + box.h + distance(at, box) + 1
  const { cos, sin } = cosSin(-angle)
  const axis = curveOf({
    kind: 'line',
    from: { x: at.x - reach * cos, y: at.y - reach * sin },
    to: { x: at.x + reach * cos, y: at.y + reach * sin },
  })
  return path.flatMap(({ segments, closed }): Contour[] => {
    const pieces = segments.flatMap((segment) => {
      const stops = intersect(curveOf(segment), axis)
        .meetings.map(({ s, at: place }) => ({ s, place }))
        .sort((a, b) => a.s - b.s)
      const inner = stops.filter(({ s }) => s > SAME_PARAMETER && s < 1 - SAME_PARAMETER)
      const ends = [{ s: 0, place: segment.from }, ...inner, { s: 1, place: segment.to }]
      return ends.slice(1).map((end, i) => stretch(segment, ends[i]!.s, end.s, ends[i]!.place, end.place))
    })
    const kept = pieces.map((piece) => sideOf(pointAt(piece, 0.5), at, angle) * side > 0)
    if (kept.every(Boolean)) return [{ segments: pieces, closed }]
    // A closed contour is begun where it comes over the line.
    const first = closed ? kept.findIndex((here, i) => here && !kept[(i + kept.length - 1) % kept.length]) : 0
    if (first === -1) return []
    const runs: Segment[][] = []
    for (let i = 0; i < pieces.length; i++) {
      const k = (first + i) % pieces.length,
        before = (k + pieces.length - 1) % pieces.length
      if (!kept[k]) continue
      if (i > 0 && kept[before]) runs[runs.length - 1]!.push(pieces[k]!)
      else runs.push([pieces[k]!])
    }
    return runs.map((run) => ({ segments: run, closed: false }))
  })
}

/** The image of an axis under a map: its point and the angle of its direction, in degrees from 0 to 180. */
export function movedAxis({ at, angle }: { at: Point; angle: number }, map: Transform): { at: Point; angle: number } {
  const { cos, sin } = cosSin(-angle)
  const d = apply([map[0], map[1], map[2], map[3], 0, 0], { x: cos, y: sin })
  const turned = (-Math.atan2(d.y, d.x) * 180) / Math.PI
  return { at: apply(map, at), angle: ((turned % 180) + 180) % 180 }
}
