'use client'

import { Pencil, Trash2 } from 'lucide-react'
import { useBench, useDeferredSet, useRules } from '../../state/context'
import type { Panel } from '../ledger/panel'
import { deletePart, PARTS, partsOf, usesOf } from '../../operations/parts'
import { PartPicture } from '../../cells/part-picture'

/** The set's parts: their pictures, their placements, and those without any placement. */
function PartsPanel() {
  const bench = useBench()
  const rules = useRules()
  const set = useDeferredSet((one) => one)
  const parts = partsOf(rules)
  if (parts.length === 0)
    return (
      <p className="px-4 py-3 text-quiet">
        A part is drawn once and placed in many icons. Select objects and save them as a part (Shift 9), then place it
        with the tool Part (9).
      </p>
    )
  return (
    <ul aria-label="Parts of the set">
      {parts.map((part) => {
        const { icons, parts: within, count } = usesOf(set, part.name)
        return (
          <li key={part.name} className="flex min-h-9 items-center gap-3 border-b border-faint px-4">
            <PartPicture part={part} rules={rules} size={26} />
            <button
              type="button"
              className="w-40 truncate text-left hover:text-hand"
              title="Take this part in hand"
              onClick={() => {
                bench.put(PARTS, { inHand: part.name })
                bench.take('part')
              }}
            >
              {part.name}
            </button>
            <span className="w-28 text-quiet">
              {count === 0 ? 'not used' : count === 1 ? '1 placement' : `${count} placements`}
            </span>
            <span className="flex min-w-0 flex-1 flex-wrap gap-x-2">
              {icons.map((icon) => (
                <button key={icon.id} type="button" className="hover:text-hand" onClick={() => bench.open(icon.id)}>
                  {icon.name}
                </button>
              ))}
              {within.map((name) => (
                <span key={name} className="text-quiet">
                  in the part {name}
                </span>
              ))}
            </span>
            <button
              type="button"
              aria-label={`Rename ${part.name}`}
              title={`Rename ${part.name}`}
              className="grid size-6 place-items-center text-quiet hover:text-ink"
              onClick={() => bench.put(PARTS, { asking: { rename: part.name } })}
            >
              <Pencil size={13} strokeWidth={1.5} aria-hidden />
            </button>
            <button
              type="button"
              aria-label={`Delete ${part.name}`}
              title={count > 0 ? 'It is in use' : `Delete ${part.name}`}
              className="grid size-6 place-items-center text-quiet hover:text-ink"
              onClick={() => deletePart(bench, part.name)}
            >
              <Trash2 size={13} strokeWidth={1.5} aria-hidden />
            </button>
          </li>
        )
      })}
    </ul>
  )
}

export const partsPanel: Panel = {
  id: 'parts',
  word: 'Parts',
  useCount: () => partsOf(useRules()).length || null,
  Body: PartsPanel,
}
