import { applyDrawingEdit, type DrawingEdit } from '../drawing/edit/edit'
import type { Accepted } from '../drawing/model/accepted'
import type { Checked } from './check'
import { keyOf } from './accepting'
import { snagsIn } from './snags'

/** How many repairs are made in one go. */
const MOST = 200

/**
 * Every snag that can be mended, hints aside, mended one after the other, each in what the one before left; of those that
 * come back only once. The edits in order.
 */
export function mendsOf(checked: Checked, accepted: readonly Accepted[]): DrawingEdit[] {
  const edits: DrawingEdit[] = [],
    done = new Set<string>()
  let { objects } = checked
  while (edits.length < MOST) {
    const next = snagsIn({ ...checked, objects }, accepted).find(
      (snag) => snag.mend && snag.severity !== 'note' && !done.has(nameOf(snag)),
    )
    if (!next) break
    done.add(nameOf(next))
    edits.push(next.mend!)
    objects = applyDrawingEdit(objects, next.mend!)
  }
  return edits
}

const nameOf = (snag: { check: string; objects: readonly string[]; sentence: string }): string =>
  `${keyOf(snag)} ${snag.sentence}`
