/** A set as the shelf shows it, or the list of deleted ones. */
export type ShelfEntry = {
  readonly id: string
  readonly name: string
  readonly kind: string
  readonly grid: number
  /** The size in pixels that its icons are shown at. */
  readonly side: number
  /** How many icons it has. */
  readonly icons: number
  /** How many snags they have, as far as they are drawn; null where none is. */
  readonly snags: number | null
  /** What is stored of it cannot be read any more. */
  readonly isDamaged: boolean
  readonly changedAt: string
  readonly deleted: boolean
}
