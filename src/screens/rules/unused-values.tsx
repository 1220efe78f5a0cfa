'use client'

import type { ValueKind } from '@/core/drawing/objects/visit'
import { unusedValues } from '@/core/set/unused'
import { useSessionState } from '../session/use-session'

/** The values of a group that no icon, part or other rule refers to, and the way to take them out; nothing where all are used. */
export function UnusedValues({
  kind,
  values,
  onRemove,
}: {
  kind: ValueKind
  values: readonly { readonly name: string; readonly was: string | null }[]
  onRemove: (isUnused: (value: { readonly was: string | null }) => boolean) => void
}) {
  const set = useSessionState(({ history }) => history.present)
  const names = new Set(unusedValues(set).flatMap((one) => (one.kind === kind ? [one.name] : [])))
  const unused = values.filter(({ was }) => was !== null && names.has(was))
  // Where nothing is drawn yet, nothing can be in use.
  if (unused.length === 0 || set.icons.length === 0) return null
  return (
    <p className="mt-1 flex items-baseline justify-between gap-2 text-small text-quiet">
      <span className="min-w-0">Unused: {unused.map(({ name }) => name).join(', ')}</span>
      <button
        type="button"
        aria-label={`Remove what no icon uses: ${unused.map(({ name }) => name).join(', ')}`}
        onClick={() => onRemove(({ was }) => was !== null && names.has(was))}
        className="flex-none underline hover:text-hand"
      >
        remove
      </button>
    </p>
  )
}
