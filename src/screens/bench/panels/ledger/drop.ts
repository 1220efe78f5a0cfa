import type { DragMoveEvent } from '@dnd-kit/core'
import { membersOf } from '@/core/drawing/edit/edit'
import { isContainer } from '@/core/drawing/objects/object'
import { find } from '@/core/drawing/objects/tree'
import type { Bench } from '../../state/bench'
import { parentOf } from '../../operations/objects'
import type { LedgerRow } from './rows'

/** The drop position of a dragged row; `onto` to put it into the container it is over. */
type Drop = { readonly into: string | null; readonly at: number; readonly onto: boolean }

/** The share of a row of a container within which something dropped comes into it: between are the gaps. */
const MIDDLE = 0.3

/**
 * Where a dragged row is let go: on the middle of a container's row into it, beside a row beside that, beyond the first
 * or the last row out of everything. Null where it would stay.
 */
export function dropOf(
  bench: Bench,
  rows: readonly LedgerRow[],
  { active, over }: Pick<DragMoveEvent, 'active' | 'over'>,
): Drop | null {
  const moved = active.rect.current.translated
  if (!over || !moved) return null
  const id = String(over.id),
    own = String(active.id)
  const row = rows.find(({ object }) => object.id === id)
  if (!row) return null
  // From -0.5 at the upper edge of the row to 0.5 at its lower.
  const aside = (moved.top + moved.height / 2 - (over.rect.top + over.rect.height / 2)) / over.rect.height
  const isFirst = rows[0] === row,
    isLast = rows.at(-1) === row
  if (parentOf(bench, own) !== null && ((isFirst && aside < -0.5) || (isLast && aside > 0.5)))
    return { into: null, at: isFirst ? bench.objects.length : 0, onto: false }
  if (id === own) return null
  const { object } = row
  if (isContainer(object) && Math.abs(aside) < MIDDLE && !find([find(bench.objects, own)!.object], id))
    return { into: id, at: object.members.length, onto: true }
  const into = parentOf(bench, id)
  const target = membersOf(bench.objects, into).findIndex((sibling) => sibling.id === id)
  // A row dropped lower in the list goes below the row it lands on; which side that is depends on the list's direction.
  const down = rows.findIndex(({ object: one }) => one.id === own) < rows.indexOf(row)
  return { into, at: down === !row.inside ? target : target + 1, onto: false }
}
