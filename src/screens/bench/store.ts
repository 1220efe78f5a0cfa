import { createStore, type StoreApi } from 'zustand/vanilla'
import { type InHand, NOTHING_IN_HAND } from './state/in-hand'
import { ledger, type LedgerState } from './state/ledger'
import { type Place, place } from './state/place'
import { seeing, type Seeing } from './state/seeing'
import { snapping, type Snapping } from './state/snapping'

/**
 * What is open on the bench and how it is seen, in slices; the drawing itself is the session's. `slots` has what each
 * tool and panel keeps, by its name.
 */
export type BenchState = Place &
  Seeing &
  Snapping &
  LedgerState & { readonly inHand: InHand; readonly slots: Readonly<Record<string, object>> }

export type BenchStore = StoreApi<BenchState>

export const createBenchStore = (icon: string | null): BenchStore =>
  createStore<BenchState>(() => ({
    ...place(icon),
    ...seeing,
    ...snapping,
    ...ledger,
    inHand: NOTHING_IN_HAND,
    slots: {},
  }))
