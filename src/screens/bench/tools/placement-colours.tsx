'use client'

import { coloursUsed, paintedWithin } from '@/core/drawing/edit/paint'
import type { OfKind } from '@/core/drawing/objects/object'
import { useBench, useRules } from '../state/context'
import { PaintCell } from '../cells/value-cell'
import { partsOf } from '../operations/parts'

/** The colours of a part, and what this placement has in their stead. */
export function PlacementColours({ object }: { object: OfKind<'placement'> }) {
  const bench = useBench()
  const rules = useRules()
  const part = partsOf(rules).find(({ name }) => name === object.part)
  if (!part) return null
  const colours = coloursUsed(paintedWithin(part.objects, bench.scene))
  const set = (from: string, to: string) => {
    const { colours: before = [], ...rest } = object
    const others = before.filter((one) => one.from !== from)
    const next = to === from ? others : [...others, { from, to }]
    bench.edit(
      { kind: 'replace', objects: [next.length > 0 ? { ...rest, colours: next } : rest] },
      `Change a colour of ${object.name}`,
    )
  }
  return (
    <div role="group" aria-label={`Colours of ${object.name}`} className="flex items-center gap-1 pl-3 text-quiet">
      {colours.map(({ color }) => (
        <span key={color} className="flex items-center">
          {color} →
          <PaintCell
            label={`${color} of ${object.name}`}
            value={object.colours?.find(({ from }) => from === color)?.to ?? color}
            rules={rules}
            onMore={() => undefined}
            onChange={(to) => to !== 'none' && set(color, to)}
          />
        </span>
      ))}
    </div>
  )
}
