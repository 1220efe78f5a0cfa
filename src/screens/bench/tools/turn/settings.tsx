'use client'

import { useState } from 'react'
import { rotation, type Transform } from '@/core/geometry/transform'
import { Choice } from '@/ui/choice'
import { NumberField } from '@/ui/number-field'
import { figure } from '@/ui/sum'
import { useBench, useBenchState, useSlice } from '../../state/context'
import { transformSelection } from '../../operations/objects'
import { FIELD } from '../setting'
import { pivotOf, scaling, slanting, TURN } from './gesture'

const WAYS = [
  { value: 'turn', label: 'turn' },
  { value: 'scale', label: 'scale' },
  { value: 'slant', label: 'slant' },
] as const
const UNITS = { turn: '°', scale: '%', slant: '°' } as const

/** Turning, scaling and slanting by number, about the pivot, with copies. */
export function TurnSettings() {
  const bench = useBench()
  const way = useSlice(TURN).turnBy
  const pivot = useBenchState((state) => state.pivot)
  const [amounts, setAmounts] = useState({ turn: 45, scale: 50, slant: 15 })
  const [copies, setCopies] = useState(0)
  useBenchState((state) => state.selection)
  const at = pivot ?? pivotOf(bench)
  const amount = amounts[way]
  const apply = () => {
    if (!at) return
    const maps: Record<typeof way, Transform> = {
      turn: rotation(amount, at),
      scale: scaling(amount / 100, amount / 100, at),
      slant: slanting(amount, true, at),
    }
    const words = {
      turn: `Turn by ${figure(amount)}°`,
      scale: `Scale to ${figure(amount)} %`,
      slant: `Slant by ${figure(amount)}°`,
    }[way]
    if (way === 'scale' && amount === 0) return
    transformSelection(bench, maps[way], words, { copies, scale: way === 'scale' ? Math.abs(amount) / 100 : 1 })
  }
  const movePivot = (axis: 'x' | 'y') => (value: number) =>
    at && bench.store.setState({ pivot: { ...at, [axis]: value } })
  return (
    <div className="flex items-center gap-2 pl-3 whitespace-nowrap text-quiet">
      <Choice
        label="What the tool does"
        value={way}
        options={WAYS}
        onChange={(turnBy: 'turn' | 'scale' | 'slant') => bench.put(TURN, { turnBy })}
      />
      <NumberField
        label="Amount"
        value={amount}
        step={way === 'turn' ? 15 : 5}
        unit={UNITS[way]}
        className={FIELD}
        limits={way === 'slant' ? { least: -85, most: 85 } : { least: -10_000, most: 10_000 }}
        onChange={(value) => setAmounts({ ...amounts, [way]: value })}
      />
      <span>copies</span>
      <NumberField
        label="Copies"
        value={copies}
        step={1}
        className="!w-7 border-b border-ink text-center text-ink"
        limits={{ least: 0, most: 120, whole: true }}
        onChange={setCopies}
      />
      <span>about</span>
      {(['x', 'y'] as const).map((axis) => (
        <NumberField
          key={axis}
          label={`Pivot ${axis}`}
          value={at?.[axis] ?? null}
          step={0.5}
          className="!w-9 border-b border-ink text-center text-ink"
          onChange={movePivot(axis)}
        />
      ))}
      <button
        type="button"
        onClick={apply}
        disabled={!at}
        className="h-6 rounded-sheet border border-ink bg-ink px-2.5 text-sheet enabled:hover:border-hand enabled:hover:bg-hand disabled:opacity-40"
      >
        Apply
      </button>
    </div>
  )
}
