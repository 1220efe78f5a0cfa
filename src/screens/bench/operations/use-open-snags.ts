import type { Snag } from '@/core/checks/check'
import { useSnags } from '../../frame/snags'
import { useDeferredPlaced, useSetRules } from '../state/context'

/** The snags of the open master; null until they are found. */
export function useOpenSnags(): readonly Snag[] | null {
  const placed = useDeferredPlaced()
  return useSnags(placed?.master ?? null, useSetRules(), placed?.standing.by === 'derivation')
}
