import type { Path } from '../../geometry/path'
import type { ResolvedPaint, ResolvedShadow, ResolvedStroke } from './resolved'

/**
 * A resolved piece of an icon: an exact path and its paint. `id` is the object it came from; `veil` what lies on it and
 * its neighbours together.
 */
export type Shape = {
  readonly id: string
  readonly path: Path
  readonly fill: ResolvedPaint | null
  readonly stroke: ResolvedStroke | null
  readonly veil?: Veil | undefined
}

/**
 * What is done to shapes as one: an opacity, what lets them through where it is painted, a soft shadow under them.
 * Shapes that follow each other under one and the same veil are one.
 */
export type Veil = {
  readonly opacity: number
  readonly mask: readonly Shape[] | null
  readonly shadow?: ResolvedShadow
  readonly outer: Veil | null
}

/** Shapes under one more veil, outside of those they have. */
export function veiled(
  shapes: readonly Shape[],
  opacity: number,
  mask: readonly Shape[] | null,
  shadow?: ResolvedShadow,
): Shape[] {
  const own: Veil = { opacity, mask, ...(shadow && { shadow }), outer: null }
  const outside = new Map<Veil, Veil>()
  const within = (veil: Veil | null | undefined): Veil => {
    if (!veil) return own
    let next = outside.get(veil)
    if (!next) outside.set(veil, (next = { ...veil, outer: within(veil.outer) }))
    return next
  }
  return shapes.map((shape) => ({ ...shape, veil: within(shape.veil) }))
}

/** Shapes in runs: each a shape by itself, or those that lie under one veil, in runs again. */
export type Run = Shape | { readonly veil: Veil; readonly runs: readonly Run[] }

/** The runs that writers paint as groups, outermost veils first. */
export function runsOf(shapes: readonly Shape[]): Run[] {
  const gather = (list: readonly Shape[], depth: number): Run[] => {
    const runs: Run[] = []
    for (let i = 0; i < list.length;) {
      const veil = veilAt(list[i]!, depth)
      if (!veil) {
        runs.push(list[i++]!)
        continue
      }
      let end = i + 1
      while (end < list.length && veilAt(list[end]!, depth) === veil) end++
      runs.push({ veil, runs: gather(list.slice(i, end), depth + 1) })
      i = end
    }
    return runs
  }
  return shapes.some(({ veil }) => veil) ? gather(shapes, 0) : [...shapes]
}

/** The veil of a shape that has `depth` others around it. */
function veilAt({ veil }: Shape, depth: number): Veil | null {
  const chain: Veil[] = []
  for (let one: Veil | null = veil ?? null; one; one = one.outer) chain.unshift(one)
  return chain[depth] ?? null
}
