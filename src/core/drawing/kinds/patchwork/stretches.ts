import type { Path } from '../../../geometry/path'
import { nearestOnPath } from '../../../geometry/nearest'
import type { Point } from '../../../geometry/point'
import { pointAt } from '../../../geometry/segment'
import type { Marked } from '../../model/signature'
import type { Memory, Scene } from '../../scene/scene'
import { type Laid, laidOut } from './laid'
import type { Patchwork } from './schema'

/** A stretch of line from crossing to crossing, by what carries it and meets it, with its edges in the arrangement. */
export type Stretch = Marked & { readonly at: Point; readonly edges: readonly number[]; readonly path: Path }

const memory: Memory<readonly Stretch[]> = new WeakMap()

/** Every stretch of line of a patchwork. */
export function stretchesOf(object: Patchwork, scene: Scene): readonly Stretch[] {
  const laid = laidOut(object, scene)
  return scene.remembered(memory, laid, () => found(laid))
}

function found({ patches: { arrangement }, names }: Laid): Stretch[] {
  const { edges, vertices } = arrangement
  const name = (edge: number) => names.get(edges[edge]!.origin.segment) ?? '?'
  const around: number[][] = vertices.map(() => [])
  edges.forEach(({ from, to }, i) => {
    around[from]!.push(i)
    around[to]!.push(i)
  })
  /** The one edge that goes on beyond a vertex at which nothing else meets. */
  const onward = (edge: number, vertex: number): number | null => {
    const [a, b, ...more] = around[vertex]!
    if (more.length > 0 || b === undefined) return null
    return a === edge ? b : a!
  }
  const done = new Uint8Array(edges.length)
  const stretches: Stretch[] = []
  for (let start = 0; start < edges.length; start++) {
    if (done[start]) continue
    const run = [start]
    done[start] = 1
    const ends = [edges[start]!.from, edges[start]!.to].map((vertex, side) => {
      for (let edge = start, at = vertex; ;) {
        const next = onward(edge, at)
        if (next === null || done[next]) return at
        done[next] = 1
        if (side === 0) run.unshift(next)
        else run.push(next)
        const { from, to } = edges[next]!
        at = from === at ? to : from
        edge = next
      }
    })
    const own = [...new Set(run.map(name))].sort()
    const meets = ends.map((vertex) =>
      [...new Set(around[vertex]!.filter((edge) => !run.includes(edge)).map(name))].sort().join(','),
    )
    const path: Path = run.map((edge) => ({ segments: [edges[edge]!.segment], closed: false }))
    stretches.push({
      at: pointAt(edges[run[run.length >> 1]!]!.segment, 0.5),
      away: (p) => nearestOnPath(path, p)!.distance,
      key: `${own.join(',')}(${meets.sort().join(';')})`,
      edges: run,
      path,
    })
  }
  return stretches
}
