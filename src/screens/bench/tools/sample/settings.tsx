'use client'

import { Choice } from '@/ui/choice'
import { useBench, useSlice } from '../../state/context'
import { SAMPLE } from './gesture'

const SIDES = [
  { value: '1', label: '1' },
  { value: '3', label: '3' },
  { value: '5', label: '5' },
  { value: '11', label: '11' },
] as const

/** How many pixels are averaged. */
export function SampleSettings() {
  const bench = useBench()
  const side = useSlice(SAMPLE).sampleSide
  return (
    <div className="flex items-center gap-2 pl-3 whitespace-nowrap text-quiet">
      pixels averaged along a side
      <Choice
        label="Pixels averaged"
        value={String(side) as '1'}
        options={SIDES}
        onChange={(next) => bench.put(SAMPLE, { sampleSide: Number(next) as 1 | 3 | 5 | 11 })}
      />
    </div>
  )
}
