import paper from 'paper/dist/paper-core.js'
import { arcToCubics } from '../geometry/arc'
import type { Contour, Path } from '../geometry/path'
import { distance, type Point } from '../geometry/point'
import { line, type Segment } from '../geometry/segment'
import { SAME_POINT } from '../geometry/tolerance'

/** What a path does to the paths before it in a live combination. */
export type Role = 'adds' | 'cuts' | 'overlap' | 'flips'

export type Member = { readonly path: Path; readonly role: Role }

const METHOD = { adds: 'unite', cuts: 'subtract', overlap: 'intersect', flips: 'exclude' } as const

/**
 * Combines closed paths in order: the first is the ground, whatever its role; each later one adds to it (union), cuts
 * from it (difference), keeps the overlap (intersection) or flips what it covers (symmetric difference).
 * Outer contours of the result run one way, holes the other, so it fills alike by either rule.
 */
export function combine(members: readonly Member[]): Path {
  const scope = paperScope()
  let result: paper.PathItem | null = null
  for (const { path, role } of members) {
    const item = toItem(path, scope)
    result = result ? result[METHOD[role]](item, { insert: false }) : item.unite(item, { insert: false })
  }
  return result ? fromItem(result) : []
}

// The combination is computed by a general-purpose library here and nowhere else: to replace it is to replace this file.
let shared: paper.PaperScope | null = null

function paperScope(): paper.PaperScope {
  if (!shared) {
    shared = new paper.PaperScope()
    shared.setup(new shared.Size(1, 1))
  }
  shared.activate()
  return shared
}

function toItem(path: Path, scope: paper.PaperScope): paper.CompoundPath {
  const children = path.map(({ segments }) => {
    const curves = segments.flatMap((s) => (s.kind === 'arc' ? arcToCubics(s) : [s]))
    const handle = (to: Point, from: Point) => new scope.Point(to.x - from.x, to.y - from.y)
    const nodes = curves.map((curve, i) => {
      const before = curves[(i + curves.length - 1) % curves.length]!
      return new scope.Segment(
        new scope.Point(curve.from.x, curve.from.y),
        before.kind === 'cubic' ? handle(before.c2, before.to) : undefined,
        curve.kind === 'cubic' ? handle(curve.c1, curve.from) : undefined,
      )
    })
    return new scope.Path({ segments: nodes, closed: true, insert: false })
  })
  return new scope.CompoundPath({ children, fillRule: 'nonzero', insert: false })
}

function fromItem(item: paper.PathItem): Path {
  item.reorient(false, true)
  const paths = (item.className === 'CompoundPath' ? item.children : [item]) as paper.Path[]
  return paths.map(contourOf).filter(({ segments }) => segments.length > 0)
}

function contourOf(path: paper.Path): Contour {
  const segments = path.curves.map((curve): Segment => {
    const from = plain(curve.point1), to = plain(curve.point2)
    if (!curve.hasHandles()) return line(from, to)
    return { kind: 'cubic', from, c1: plain(curve.point1.add(curve.handle1)), c2: plain(curve.point2.add(curve.handle2)), to }
  })
  return { segments: segments.filter((s) => s.kind !== 'line' || distance(s.from, s.to) > SAME_POINT), closed: true }
}

const plain = (p: paper.Point): Point => ({ x: p.x, y: p.y })
