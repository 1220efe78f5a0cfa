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
  /** Number of snags in drawn icons; null if none is drawn. */
  readonly snags: number | null
  /** Whether the stored set cannot be read. */
  readonly isDamaged: boolean
  readonly changedAt: string
  readonly deleted: boolean
}
