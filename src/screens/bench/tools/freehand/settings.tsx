'use client'

import { NumberField } from '@/ui/number-field'
import { useBench, useSlice } from '../../state/context'
import { FREEHAND } from './gesture'
import { FIELD, Setting } from '../setting'

export function FreehandSettings() {
  const bench = useBench()
  const { smoothness } = useSlice(FREEHAND)
  return (
    <Setting word="smoothness">
      <NumberField
        label="Smoothness"
        value={smoothness}
        step={0.05}
        className={FIELD}
        limits={{ least: 0.01, most: 10 }}
        onChange={(value) => bench.put(FREEHAND, { smoothness: value })}
      />
    </Setting>
  )
}
