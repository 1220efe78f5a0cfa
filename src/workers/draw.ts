import type { Ground } from '../core/picture/picture'
import type { Rules } from '../core/rules/rules'
import { baseFor } from '../core/rules/rules-for-grid'
import { type Icon, type Master, masterFor } from '../core/set/set'
import type { Source } from './drawer'
import { ask } from './pictures'

/** An icon as delivered at a size, by default on the grid of the set, in the colours for a ground. */
export function sourceOf(icon: Icon, rules: Rules, ground: Ground, size = rules.grid.size): Source {
  const base = baseFor(rules, size)
  return {
    objects: masterFor(icon).objects,
    rules,
    ground,
    ...(base !== rules.grid.size && { base, ...keptOf(icon) }),
  }
}

const kept = new WeakMap<Icon['masters'], readonly Master[]>()

/** The masters of an icon on further grids; the same list for the same icon. */
function keptOf({ masters }: Icon): { kept?: readonly Master[] } {
  if (masters.length < 2) return {}
  let one = kept.get(masters)
  if (!one) kept.set(masters, (one = masters.slice(1)))
  return { kept: one }
}

/** An icon on all grids of its set. */
export const everyGrid = (icon: Icon, rules: Rules): Source => ({
  objects: masterFor(icon).objects,
  rules,
  ground: 'light',
  ...keptOf(icon),
})

/** The document of an icon, computed in the worker; or why there is none. */
export const documentOf = (
  icon: Icon,
  rules: Rules,
  ground: Ground,
  size = rules.grid.size,
): Promise<{ svg?: string; problem?: string }> =>
  new Promise((done) =>
    ask(sourceOf(icon, rules, ground, size), 'document', (answer) =>
      done('svg' in answer ? { svg: answer.svg } : { problem: 'problem' in answer ? answer.problem : '' }),
    ),
  )
