import { useMemo } from 'react'
import { useStore } from 'zustand'
import { countObjects } from '@/core/drawing/objects/tree'
import type { Bench } from '../../state/bench'

/** The heights of the tabs, of the head of the rows, and of a row, in pixels. */
const TABS = 28,
  HEAD = 23,
  ROW = 22

/** The fewest rows that there is room for. */
const LEAST = 3

/** The height for panels that are no lists of rows. */
const OTHER = 166

/**
 * The height of the ledger as CSS says it: what was dragged, else as many rows as the icon had when it was opened, up to a
 * third of the window. It stays while one draws, so that the square does not change its size under the hand.
 */
export function useLedgerHeight(bench: Bench): string {
  const height = useStore(bench.store, (state) => state.ledgerHeight),
    isFolded = useStore(bench.store, (state) => state.ledgerFolded),
    isList = useStore(bench.store, (state) => state.panel === 'objects'),
    icon = useStore(bench.store, (state) => state.icon)
  const rows = useMemo(
    () => Math.max(LEAST, countObjects(bench.objects)),
    // Counted once for each icon.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [bench, icon],
  )
  if (isFolded) return `${TABS}px`
  if (height !== null) return `${height}px`
  return `min(33vh, ${isList ? TABS + HEAD + rows * ROW : OTHER}px)`
}
