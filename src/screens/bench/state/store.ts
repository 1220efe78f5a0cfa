import { createStore, type StoreApi } from 'zustand/vanilla'
import { type InHand, NOTHING_IN_HAND } from './in-hand'
import { ledger, type LedgerState } from './ledger'
import { type Focus, focusOn } from './focus'
import { seeing, type Seeing } from './seeing'
import { snapping, type Snapping } from './snapping'

/**
 * The bench's store: open icon and view in slices; the drawing itself belongs to the session. `slices` holds the state
 * of tools and panels by name.
 */
export type BenchState = Focus &
  Seeing &
  Snapping &
  LedgerState & { readonly inHand: InHand; readonly slices: Readonly<Record<string, object>> }

export type BenchStore = StoreApi<BenchState>

export const createBenchStore = (icon: string | null): BenchStore =>
  createStore<BenchState>(() => ({
    ...focusOn(icon),
    ...seeing,
    ...snapping,
    ...ledger,
    inHand: NOTHING_IN_HAND,
    slices: {},
  }))
