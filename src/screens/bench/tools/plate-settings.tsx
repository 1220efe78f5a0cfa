'use client'

import type { OfKind } from '@/core/drawing/objects/object'
import { useBench, useRules } from '../state/context'
import { WordCell } from '../cells/value-cell'
import { changePlate } from '../operations/plate'

/** Which plate of the rules lies behind the icon. */
export function PlateSettings({ object }: { object: OfKind<'plate'> }) {
  const bench = useBench()
  const names = (useRules().plates ?? []).map(({ name }) => name)
  return (
    <div className="flex items-center pl-3">
      <WordCell
        label={`plate of ${object.name}`}
        value={object.plate}
        words={names}
        onChange={(name) => name !== undefined && changePlate(bench, name)}
      />
    </div>
  )
}
