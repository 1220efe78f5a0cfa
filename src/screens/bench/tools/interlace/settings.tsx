'use client'

import { useBench, useBenchState, useShownObjects } from '../../context'
import { OwnSettings } from '../../ledger/own-numbers'

/** The order and the gap of the interlace in hand. */
export function InterlaceSettings() {
  const bench = useBench()
  useShownObjects()
  useBenchState((state) => state.selection)
  const [only, ...more] = bench.selected
  return only?.kind === 'interlace' && more.length === 0 ? <OwnSettings object={only} /> : null
}
