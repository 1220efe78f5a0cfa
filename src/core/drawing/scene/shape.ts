import type { Path } from '../../geometry/path'
import type { ResolvedPaint, ResolvedShadow, ResolvedStroke } from '../model/resolved'

/**
 * A resolved shape of an icon: an exact path and its paint. `id` is its object; `effect` applies to it and its
 * neighbours together.
 */
export type Shape = {
  readonly id: string
  readonly path: Path
  readonly fill: ResolvedPaint | null
  readonly stroke: ResolvedStroke | null
  readonly effect?: GroupEffect | undefined
}

/**
 * An effect on shapes as a group: an opacity, a mask, a soft shadow. Neighbouring shapes under the same effect belong
 * to one group.
 */
export type GroupEffect = {
  readonly opacity: number
  readonly mask: readonly Shape[] | null
  readonly shadow?: ResolvedShadow
  readonly outer: GroupEffect | null
}

/** Shapes under one more effect, outside of those they have. */
export function withEffect(
  shapes: readonly Shape[],
  opacity: number,
  mask: readonly Shape[] | null,
  shadow?: ResolvedShadow,
): Shape[] {
  const own: GroupEffect = { opacity, mask, ...(shadow && { shadow }), outer: null }
  const outside = new Map<GroupEffect, GroupEffect>()
  const within = (effect: GroupEffect | null | undefined): GroupEffect => {
    if (!effect) return own
    let next = outside.get(effect)
    if (!next) outside.set(effect, (next = { ...effect, outer: within(effect.outer) }))
    return next
  }
  return shapes.map((shape) => ({ ...shape, effect: within(shape.effect) }))
}

/** Whether a soft shadow lies under a shape. */
export function hasShadow({ effect }: Shape): boolean {
  for (let one: GroupEffect | null = effect ?? null; one; one = one.outer) if (one.shadow) return true
  return false
}

/** Shapes in runs: each a shape by itself, or those that lie under one effect, in runs again. */
export type Run = Shape | { readonly effect: GroupEffect; readonly runs: readonly Run[] }

/** The runs that writers paint as groups, outermost effects first. */
export function runsOf(shapes: readonly Shape[]): Run[] {
  const gather = (list: readonly Shape[], depth: number): Run[] => {
    const runs: Run[] = []
    for (let i = 0; i < list.length;) {
      const effect = effectAt(list[i]!, depth)
      if (!effect) {
        runs.push(list[i++]!)
        continue
      }
      let end = i + 1
      while (end < list.length && effectAt(list[end]!, depth) === effect) end++
      runs.push({ effect, runs: gather(list.slice(i, end), depth + 1) })
      i = end
    }
    return runs
  }
  return shapes.some(({ effect }) => effect) ? gather(shapes, 0) : [...shapes]
}

/** The effect of a shape that has `depth` others around it. */
function effectAt({ effect }: Shape, depth: number): GroupEffect | null {
  const chain: GroupEffect[] = []
  for (let one: GroupEffect | null = effect ?? null; one; one = one.outer) chain.unshift(one)
  return chain[depth] ?? null
}
