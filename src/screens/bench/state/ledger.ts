import type { Point } from '@/core/geometry/point'

/** How wide the names of the ledger are at first, and may be, in pixels. */
export const NAMES = 112,
  WIDEST_NAMES = 480

/** Which panel of the ledger is open, how large it is, and what its numbers refer to. */
export type LedgerState = {
  readonly panel: string
  /** The anchor that x, y, w and h refer to, as a share of the frame. */
  readonly anchor: Point
  readonly linked: boolean
  /** The height that the ledger was dragged to, in pixels; null for as high as its rows need. */
  readonly ledgerHeight: number | null
  /** Only its tabs are seen. */
  readonly ledgerFolded: boolean
  /** How often the hand came into the ledger. */
  readonly ledgerVisits: number
  /** How wide the names of the ledger are, in pixels. */
  readonly nameWidth: number
}

export const ledger: LedgerState = {
  panel: 'objects',
  anchor: { x: 0, y: 0 },
  linked: false,
  ledgerHeight: null,
  ledgerFolded: false,
  ledgerVisits: 0,
  nameWidth: NAMES,
}
