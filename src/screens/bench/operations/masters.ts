import { basesOf, rulesForGrid } from '@/core/rules/rules-for-grid'
import type { Conflict } from '@/core/set/merge'
import { settledConflict } from '@/core/set/settle'
import { derivedFrom, masterOn } from '@/core/set/masters'
import { masterFor } from '@/core/set/set'
import type { Command } from '@/ui/commands'
import { say } from '@/ui/notice'
import { commit } from '../../session/session'
import type { Bench } from '../state/bench'
import { slice } from '../state/slice'

/**
 * View of a derived master: opacity of the main master beneath, list of conflicts, places of edges, and relations (all,
 * or only violated ones).
 */
export const MASTERS = slice('masters', {
  compare: 'off' as 'off' | 'overlay' | 'blink',
  listing: false,
  edges: true,
  ties: false,
})

/** The sizes that are offered for a further master. */
export const OFFERED = [16, 20, 32, 48]

/** Opens the drawing of the icon on another grid of the set; the square keeps its size on screen. */
export function openMaster(bench: Bench, base: number): void {
  const was = bench.base
  if (base === was) return
  bench.keepBuilding()
  bench.drop()
  const { view, nodes } = bench.store.getState()
  bench.store.setState({
    master: base,
    nodes: nodes.size === 0 ? nodes : new Set(),
    markedNode: null,
    pivot: null,
    view: view && { ...view, scale: (view.scale * was) / base },
  })
  const { selection, scope } = bench.store.getState()
  bench.select([...selection].filter((id) => bench.has(id)))
  if (scope !== null && !bench.has(scope)) bench.store.setState({ scope: null })
}

/** Gives the set one more grid: all of its icons are derived for it from then on. */
export function addMaster(bench: Bench, base: number): void {
  const rules = bench.setRules
  if (basesOf(rules).includes(base)) return openMaster(bench, base)
  const masters = [...(rules.masters ?? []), { base }].sort((a, b) => a.base - b.base)
  commit(bench.session, { kind: 'rules', rules: { ...rules, masters }, renames: [] }, `Derive masters for ${base} px`)
  if (basesOf(bench.setRules).includes(base)) openMaster(bench, base)
}

const placed = (bench: Bench) => bench.icon && masterOn(bench.icon, bench.setRules, bench.base)

/** Discards the changes by hand of the open master. */
export function deriveAgain(bench: Bench): void {
  const { here, icon, base } = bench
  if (!here || base === bench.setRules.grid.size) return
  if (!icon?.masters.some((one) => one.base === base)) return say({ text: `The ${base} master is as it was derived.` })
  commit(bench.session, { kind: 'master', ...here, drawn: null }, `Derive the ${base} master again`)
}

/** Lets the open master no longer follow the main one. */
export function drawByItself(bench: Bench): void {
  const { here, base } = bench,
    one = placed(bench)
  if (!here || !one || one.standing.by === 'hand') return
  const { from: _, ...drawn } = one.master
  commit(bench.session, { kind: 'master', ...here, drawn }, `Draw the ${base} master by itself`)
}

/** Resolves conflicts: with the drawing by hand, or with the derived one. */
export function settle(bench: Bench, conflicts: readonly Conflict[], keep: 'mine' | 'theirs'): void {
  const { here } = bench,
    one = placed(bench),
    sides = settledSides(bench, conflicts, keep)
  const [first] = conflicts
  if (!here || !one || !sides || !first) return
  commit(
    bench.session,
    { kind: 'master', ...here, drawn: { ...one.master, objects: [...sides.objects], from: [...sides.from] } },
    keep === 'mine' ? `Keep ${first.name} as it is drawn here` : `Take ${first.name} as it is derived`,
  )
}

/** The drawing and its merge base, with conflicts resolved. */
function settledSides(bench: Bench, conflicts: readonly Conflict[], keep: 'mine' | 'theirs') {
  const { icon, base } = bench,
    one = placed(bench)
  if (!icon || !one?.master.from) return null
  const derived = derivedFrom(masterFor(icon).objects, bench.setRules, base, one.master.pins).objects
  let sides: ReturnType<typeof settledConflict> = { objects: one.master.objects, from: one.master.from }
  for (const conflict of conflicts) sides = settledConflict(sides, derived, conflict, keep)
  return sides
}

/** What a drawing would be if conflicts were settled one way. */
export function settledDrawing(bench: Bench, conflicts: readonly Conflict[], keep: 'mine' | 'theirs') {
  const sides = settledSides(bench, conflicts, keep)
  return sides && { objects: sides.objects, rules: rulesForGrid(bench.setRules, bench.base) }
}

/** Groups conflicts by object: all of one object are one decision. */
export function byObject(conflicts: readonly Conflict[]): readonly (readonly Conflict[])[] {
  const found = new Map<string, Conflict[]>()
  for (const one of conflicts) {
    const list = found.get(one.object)
    if (list) list.push(one)
    else found.set(one.object, [one])
  }
  return [...found.values()]
}

/** The next grid of the set after the open one, the first after the last. */
function nextMaster(bench: Bench): void {
  const bases = basesOf(bench.setRules)
  openMaster(bench, bases[(bases.indexOf(bench.base) + 1) % bases.length]!)
}

export function masterCommands(bench: Bench): Command[] {
  const needsFurther = () =>
    bench.base === bench.setRules.grid.size
      ? 'Open a further master first: the sizes beside the name of the icon.'
      : null
  const needsMore = () =>
    basesOf(bench.setRules).length < 2 ? 'The set has one grid: derive masters for a further size first.' : null
  return [
    { id: 'next-master', name: 'Open the next master of the icon', needs: needsMore, run: () => nextMaster(bench) },
    ...OFFERED.map((base) => ({
      id: `master-${base}`,
      name: `Derive masters for ${base} px`,
      needs: () => (basesOf(bench.setRules).includes(base) ? `The set has a ${base} master.` : null),
      run: () => addMaster(bench, base),
    })),
    {
      id: 'derive-again',
      name: 'Derive the open master again, without what was changed by hand',
      needs: needsFurther,
      run: () => deriveAgain(bench),
    },
    {
      id: 'draw-by-itself',
      name: 'Draw the open master by itself: it follows the main one no longer',
      needs: needsFurther,
      run: () => drawByItself(bench),
    },
    ...(['overlay', 'blink'] as const).map((way) => ({
      id: `master-${way}`,
      name:
        way === 'overlay' ? 'Show the main master over the open one' : 'Blink between the main master and the open one',
      needs: needsFurther,
      run: () => bench.put(MASTERS, { compare: bench.read(MASTERS).compare === way ? 'off' : way }),
    })),
  ]
}
