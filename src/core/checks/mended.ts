import { applyDrawingEdit, type DrawingEdit } from '../drawing/edit/edit'
import { walk } from '../drawing/objects/tree'
import type { Accepted } from '../drawing/model/accepted'
import { CONCERNS, type Checked } from './check'
import type { Snag } from './snag'
import { CHECKS } from './checks'
import { isProved } from './proved'
import { snagsIn } from './snags'

/** The most mends that one run makes. */
const MOST = 200

const ORDER = new Map(CHECKS.map(({ id, concerns }) => [id, CONCERNS.indexOf(concerns)]))

/** A repair of a drawing: the edit, and the snag that it mends. */
export type Repair = { readonly edit: DrawingEdit; readonly snag: Snag }

/**
 * The repairs of a drawing, in order: each was tried in what the one before left, and proved (`proved.ts`). Litter goes
 * first, then slips, rules and sizes; it goes round until nothing more can be mended. Hints are left. `only` names the checks
 * that are mended; without it all are.
 */
export function repairsOf(checked: Checked, accepted: readonly Accepted[], only?: ReadonlySet<string>): Repair[] {
  const repairs: Repair[] = []
  let { objects } = checked
  while (repairs.length < MOST) {
    const now = { ...checked, objects }
    const all = snagsIn(now, accepted)
    const next = mendable(all, only).find((snag) => isProved(snag, now, all, accepted))
    if (!next) break
    repairs.push({ edit: next.mend!, snag: next })
    objects = applyDrawingEdit(objects, next.mend!)
  }
  return repairs
}

/** The edits of the repairs of a drawing, in order. */
export const mendsOf = (...asked: Parameters<typeof repairsOf>): DrawingEdit[] =>
  repairsOf(...asked).map(({ edit }) => edit)

/**
 * Returns the indices of the repairs that can still be made when others are left out. Each repair starts from the result of
 * the earlier ones, so leaving one out also drops later repairs of the same objects.
 */
export function keptRepairs(repairs: readonly Repair[], left: ReadonlySet<number>): ReadonlySet<number> {
  const out = new Set<string>(),
    kept = new Set<number>()
  for (const [i, { edit }] of repairs.entries()) {
    const ids = changedBy(edit)
    if (left.has(i) || ids.some((id) => out.has(id))) for (const id of ids) out.add(id)
    else kept.add(i)
  }
  return kept
}

/** The objects that an edit changes, with all that they hold. */
function changedBy(edit: DrawingEdit): string[] {
  if (edit.kind === 'replace') return [...walk(edit.objects)].map(({ object }) => object.id)
  if (edit.kind === 'remove') return [...edit.ids]
  if (edit.kind === 'all') return edit.edits.flatMap(changedBy)
  if (edit.kind === 'merge') return [...edit.gone, ...[...walk([edit.into])].map(({ object }) => object.id)]
  return []
}

/** The snags that a mend is known for, hints aside, in the order in which they are mended. */
const mendable = (snags: readonly Snag[], only?: ReadonlySet<string>): Snag[] =>
  snags
    .filter(({ mend, severity, check }) => mend && severity !== 'note' && (!only || only.has(check)))
    .sort((a, b) => ORDER.get(a.check)! - ORDER.get(b.check)!)
