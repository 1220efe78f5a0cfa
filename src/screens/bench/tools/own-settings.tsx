'use client'

import type { Kind } from '@/core/drawing/objects/object'
import { useBench, useBenchState, useShownObjects } from '../state/context'
import { OwnSettings } from '../cells/own-numbers'

/** The numbers of the one selected object, where it is of a kind. */
export function SettingsOf({ kind }: { kind: Kind }) {
  const bench = useBench()
  useShownObjects()
  useBenchState((state) => state.selection)
  const [only, ...more] = bench.selected
  return only?.kind === kind && more.length === 0 ? <OwnSettings object={only} /> : null
}
