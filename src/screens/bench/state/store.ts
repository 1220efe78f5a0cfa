import { createStore, type StoreApi } from 'zustand/vanilla'
import { type InHand, NOTHING_IN_HAND } from './in-hand'
import { ledger, type LedgerState } from './ledger'
import { type Focus, focusOn } from './focus'
import { seeing, type Seeing } from './seeing'
import { snapping, type Snapping } from './snapping'

/**
 * What is open on the bench and how it is seen, in slices; the drawing itself is the session's. `slices` has what each
 * tool and panel keeps, by its name.
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
