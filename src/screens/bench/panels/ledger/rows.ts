import type { DrawingObject, Container } from '@/core/drawing/objects/object'
import { isCombining, isContainer, wordOf } from '@/core/drawing/objects/object'

/** A row of the ledger: an object, how deep it lies, and whether it or something around it is locked. */
export type LedgerRow = {
  readonly object: DrawingObject
  readonly depth: number
  readonly inside: Container | null
  readonly locked: boolean
}

/** Rows from the front to the back; members of an assembly in the order in which they are combined. */
export function rowsOf(
  objects: readonly DrawingObject[],
  folded: ReadonlySet<string>,
  depth = 0,
  inside: Container | null = null,
  locked = false,
): LedgerRow[] {
  const order = inside ? objects : objects.toReversed()
  return order.flatMap((object) => {
    const row: LedgerRow = { object, depth, inside, locked: locked || object.locked === true }
    if (!isContainer(object) || folded.has(object.id)) return [row]
    return [row, ...rowsOf(object.members, folded, depth + 1, isCombining(object) ? object : null, row.locked)]
  })
}

/** The rows whose object has something sought in its name, or is of a kind of that word; folded ones as well. */
export function rowsWith(objects: readonly DrawingObject[], sought: string): LedgerRow[] {
  const text = sought.trim().toLowerCase()
  return rowsOf(objects, new Set()).filter(({ object }) =>
    [object.name, wordOf(object.kind)].some((word) => word.toLowerCase().includes(text)),
  )
}

/** The ids of the rows from one to another, without locked rows. */
export function rangeOf(rows: readonly LedgerRow[], from: string, to: string): string[] {
  const places = [from, to].map((id) => rows.findIndex(({ object }) => object.id === id))
  const [a, b] = places[0]! < 0 ? [places[1]!, places[1]!] : [Math.min(...places), Math.max(...places)]
  return rows.slice(a, b + 1).flatMap(({ object, locked }) => (locked ? [] : [object.id]))
}
