'use client'

import { Role } from '@/core/drawing/objects/object'
import type { Paint } from '@/core/drawing/model/paint'
import { useBench, useBenchState, useRules, useShownObjects, useSlice } from '../../state/context'
import { PaintCell, WordCell } from '../../cells/value-cell'
import { changeCopies, COPIES, switchCopies } from './gesture'

/** Overrides of the chosen copies: paints, role, presence. */
export function CopiesSettings() {
  const bench = useBench()
  const rules = useRules()
  const { chosen } = useSlice(COPIES)
  useShownObjects()
  useBenchState((state) => state.selection)
  const object = bench.one('repeat')
  if (!object) return <p className="pl-3 text-quiet">Select a repeat first.</p>
  if (chosen.length === 0) return <p className="pl-3 text-quiet">Choose copies of {object.name} on the square.</p>
  const own = object.copies?.find(({ at }) => at === chosen[0])
  const words = chosen.length === 1 ? `copy ${chosen[0]! + 1}` : `${chosen.length} copies`
  return (
    <div className="flex items-center gap-2 pl-3 text-quiet">
      {words}
      {(['fill', 'stroke'] as const).map((key) => (
        <span key={key} className="flex items-center text-ink">
          <span className="text-quiet">{key}</span>
          <PaintCell
            label={`${key} of ${words}`}
            value={own?.[key] ?? 'none'}
            rules={rules}
            onMore={() => undefined}
            onChange={(paint) =>
              changeCopies(bench, object, chosen, { [key]: paint === 'none' ? undefined : (paint as Paint) }, 'Paint')
            }
          />
        </span>
      ))}
      <WordCell<Role>
        label={`role of ${words}`}
        value={own?.role}
        words={Role.options}
        byDefault={{ word: 'adds', why: 'as the others' }}
        onChange={(role) => changeCopies(bench, object, chosen, { role } as { role: Role }, 'Give a role to')}
      />
      <button
        type="button"
        className="h-6 rounded-sheet border border-hair px-2.5 text-ink hover:border-ink"
        onClick={() => switchCopies(bench, object, chosen)}
      >
        {own?.off ? 'switch on' : 'switch off'}
      </button>
    </div>
  )
}
