import { applyDrawingEdit, type DrawingEdit } from '../drawing/edit/edit'
import type { Accepted } from '../drawing/model/accepted'
import { CONCERNS, type Checked } from './check'
import type { Snag } from './snag'
import { CHECKS } from './checks'
import { isProved } from './proved'
import { snagsIn } from './snags'

/** The most mends that one run makes. */
const MOST = 200

const ORDER = new Map(CHECKS.map(({ id, concerns }) => [id, CONCERNS.indexOf(concerns)]))

/**
 * The edits that mend a drawing, in order: each was tried in what the one before left, and proved (`proved.ts`). Litter goes
 * first, then slips, rules and sizes; it goes round until nothing more can be mended. Hints are left. `only` names the checks
 * that are mended; without it all are.
 */
export function mendsOf(checked: Checked, accepted: readonly Accepted[], only?: ReadonlySet<string>): DrawingEdit[] {
  const edits: DrawingEdit[] = []
  let { objects } = checked
  while (edits.length < MOST) {
    const now = { ...checked, objects }
    const all = snagsIn(now, accepted)
    const next = mendable(all, only).find((snag) => isProved(snag, now, all, accepted))
    if (!next) break
    edits.push(next.mend!)
    objects = applyDrawingEdit(objects, next.mend!)
  }
  return edits
}

/** The snags that a mend is known for, hints aside, in the order in which they are mended. */
const mendable = (snags: readonly Snag[], only?: ReadonlySet<string>): Snag[] =>
  snags
    .filter(({ mend, severity, check }) => mend && severity !== 'note' && (!only || only.has(check)))
    .sort((a, b) => ORDER.get(a.check)! - ORDER.get(b.check)!)
