import { countObjects } from '@/core/drawing/objects/tree'
import { useBenchState, useDeferredObjects } from '../../state/context'

/** The heights of the tabs, of the head of the rows, and of a row, in pixels. */
const TABS = 28,
  HEAD = 23,
  ROW = 22

/** The numbers of rows that there is room for: few steps, so that the square seldom changes its size under the hand. */
const ROOMS = [3, 6, 12]

/** The height of the ledger as CSS says it: what was dragged, else as its rows need, up to a third of the window. */
export function useLedgerHeight(): string {
  const height = useBenchState((state) => state.ledgerHeight),
    isFolded = useBenchState((state) => state.ledgerFolded),
    count = countObjects(useDeferredObjects())
  if (isFolded) return `${TABS}px`
  if (height !== null) return `${height}px`
  const rows = ROOMS.find((room) => count <= room) ?? ROOMS.at(-1)!
  return `min(33vh, ${TABS + HEAD + rows * ROW}px)`
}
