import { useMemo } from 'react'
import { countObjects } from '@/core/drawing/objects/tree'
import { useBench, useBenchState } from '../../state/context'

/** The heights of the tabs, of the head of the rows, and of a row, in pixels. */
const TABS = 28,
  HEAD = 23,
  ROW = 22

/** The fewest rows that there is room for. */
const LEAST = 3

/** What the bars above and a square of 300 pixels with its ruler and margins take, in pixels. */
const OTHERS = 452

/**
 * Returns the height of the ledger as a CSS length: the dragged height, else the height of its rows, up to a third of the
 * window. Rows are counted when an icon opens and when the pointer enters the ledger, so the square keeps its size while
 * drawing.
 */
export function useLedgerHeight(): string {
  const bench = useBench()
  const height = useBenchState((state) => state.ledgerHeight),
    isFolded = useBenchState((state) => state.ledgerFolded),
    visits = useBenchState((state) => state.ledgerVisits),
    icon = useBenchState((state) => state.icon)
  const rows = useMemo(
    () => Math.max(LEAST, countObjects(bench.objects)),
    // Counted anew for these alone.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [bench, icon, visits],
  )
  if (isFolded) return `${TABS}px`
  if (height !== null) return `${height}px`
  return `min(33vh, ${TABS + HEAD + rows * ROW}px, max(${TABS}px, 100dvh - ${OTHERS}px))`
}
