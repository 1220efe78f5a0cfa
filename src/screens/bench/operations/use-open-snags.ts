import { useMemo } from 'react'
import type { Snag } from '@/core/checks/snag'
import type { Rules } from '@/core/rules/rules'
import { mainOn, masterOn } from '@/core/set/masters'
import type { Icon } from '@/core/set/set'
import { type Beside, useSnags } from '../../session/snags'
import { useDeferredIcon, useDeferredPlaced, useSetRules } from '../state/context'

/** How an icon's master on a grid comes about, as far as it matters to its snags. */
export function useBeside(icon: Icon | null, rules: Rules, base: number): Beside {
  const isDerived = icon !== null && masterOn(icon, rules, base).standing.by === 'derivation'
  // The derived drawing stays the same list while another master is drawn.
  const main = icon && mainOn(icon, rules, base)
  return useMemo(() => ({ isDerived, main }), [isDerived, main])
}

/** The snags of the open master; null until they are found. */
export function useOpenSnags(): readonly Snag[] | null {
  const master = useDeferredPlaced()?.master ?? null,
    rules = useSetRules()
  const beside = useBeside(useDeferredIcon(), rules, master?.base ?? rules.grid.size)
  return useSnags(master, rules, beside)
}
