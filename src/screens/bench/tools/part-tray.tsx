'use client'

import clsx from 'clsx'
import { useBench, useRules, useSlice } from '../state/context'
import { PARTS, partsOf } from '../operations/parts'
import { PartPicture } from '../cells/part-picture'

/** The parts of the set to choose from, each as a picture. */
export function PartTray() {
  const bench = useBench()
  const rules = useRules()
  const { inHand } = useSlice(PARTS)
  const parts = partsOf(rules)
  if (parts.length === 0)
    return <p className="pl-3 text-quiet">No part yet: select objects on the square and save them as one (Shift 9).</p>
  const chosen = parts.find(({ name }) => name === inHand) ?? parts[0]!
  return (
    <div role="radiogroup" aria-label="Parts" className="flex flex-wrap items-center gap-1 pl-2">
      {parts.map((part) => (
        <button
          key={part.name}
          type="button"
          role="radio"
          aria-checked={part === chosen}
          aria-label={part.name}
          title={part.name}
          onClick={() => bench.put(PARTS, { inHand: part.name })}
          className={clsx(
            'flex h-7 items-center gap-1.5 rounded-sheet border px-1.5',
            part === chosen ? 'border-ink' : 'border-hair hover:border-ink',
          )}
        >
          <PartPicture part={part} rules={rules} size={20} />
          {part.name}
        </button>
      ))}
    </div>
  )
}
