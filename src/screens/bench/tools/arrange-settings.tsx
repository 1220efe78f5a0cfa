'use client'

import { ARRANGE } from '../operations/arranging'
import {
  AlignCenterHorizontal,
  AlignCenterVertical,
  AlignEndHorizontal,
  AlignEndVertical,
  AlignHorizontalDistributeCenter,
  AlignStartHorizontal,
  AlignStartVertical,
  AlignVerticalDistributeCenter,
  type LucideIcon,
} from 'lucide-react'
import { useEffect, useMemo, useState } from 'react'
import type { Side } from '@/core/drawing/edit/arrange'
import type { DrawingObject } from '@/core/drawing/objects/object'
import type { Rules } from '@/core/rules/rules'
import { outermost } from '@/core/drawing/objects/tree'
import { NumberField } from '@/ui/number-field'
import { figure } from '@/ui/sum'
import type { OpticalOffset } from '@/core/proof/optical-centre'
import { offsetOf } from '@/workers/questions'
import { useBench, useBenchState, useDeferredObjects, useRules, useSlice } from '../state/context'
import { align, type AlignTo, centreOptically, space } from '../operations/arranging'

const SIDES: readonly (readonly [Side, LucideIcon])[] = [
  ['left', AlignStartVertical],
  ['centre', AlignCenterVertical],
  ['right', AlignEndVertical],
  ['top', AlignStartHorizontal],
  ['middle', AlignCenterHorizontal],
  ['bottom', AlignEndHorizontal],
]

const button = 'grid h-6 w-[22px] place-items-center hover:bg-film'

/** Milliseconds without an edit after which the optical offset is asked for: the proofs come first. */
const REST = 150

/** The offset of the optical centre from the middle, computed shortly after the objects stop moving. */
function useOffset(objects: readonly DrawingObject[], rules: Rules): OpticalOffset | null {
  const [off, setOff] = useState<OpticalOffset | null>(null)
  useEffect(() => {
    let giveUp = () => undefined as void
    const timer = setTimeout(() => {
      if (objects.length === 0 || objects.length > 40) setOff(null)
      else giveUp = offsetOf(objects, rules, setOff)
    }, REST)
    return () => {
      clearTimeout(timer)
      giveUp()
    }
  }, [objects, rules])
  return off
}

/** Lining up, spacing and optical centring of the selection. */
export function ArrangeSettings() {
  const bench = useBench()
  const rules = useRules()
  const objects = useDeferredObjects()
  const selection = useBenchState((state) => state.selection)
  const to = useSlice(ARRANGE).alignTo
  const gap = useSlice(ARRANGE).gap
  const selected = useMemo(() => outermost(objects, selection), [objects, selection])
  const off = useOffset(selected, rules)
  const short = (value: number) => figure(Number(value.toFixed(2)))
  const optical = (by: 'ink' | 'circle', word: string, hint: string) => (
    <button
      type="button"
      title={`${hint}: now ${off ? `${short(off[by].x)}, ${short(off[by].y)} from the middle` : 'nothing is painted'}`}
      aria-label={`Centre by ${by}`}
      onClick={() => centreOptically(bench, by)}
      className="flex h-6 items-center gap-1 px-1 text-small hover:bg-film"
    >
      <span className="text-ink">{word}</span> {off ? `${short(off[by].x)}, ${short(off[by].y)}` : '–'}
    </button>
  )
  return (
    <div className="flex items-center gap-1 pr-1 pl-2 whitespace-nowrap text-quiet">
      <select
        aria-label="Align to"
        title="What is aligned to; to the square, the live area and keylines the selection goes as one"
        value={to}
        onChange={(event) => bench.put(ARRANGE, { alignTo: event.target.value as AlignTo })}
        className="w-[74px] bg-transparent text-ink"
      >
        {['selection', 'square', 'live area'].map((one) => (
          <option key={one} value={one}>
            {one}
          </option>
        ))}
        {rules.keylines.map(({ name }) => (
          <option key={name} value={`keyline ${name}`}>
            keyline {name}
          </option>
        ))}
        {selected.length > 1 &&
          selected.length <= 40 &&
          selected.map(({ id, name }) => (
            <option key={id} value={`object ${id}`}>
              {name}
            </option>
          ))}
      </select>
      <div role="group" aria-label="Align" className="flex text-ink">
        {SIDES.map(([side, Picture]) => (
          <button
            key={side}
            type="button"
            aria-label={`Align ${side}`}
            title={`Align ${side}`}
            onClick={() => align(bench, side)}
            className={button}
          >
            <Picture size={15} strokeWidth={1.5} aria-hidden />
          </button>
        ))}
      </div>
      <div role="group" aria-label="Space" className="flex items-center border-l border-hair pl-1 text-ink">
        <button
          type="button"
          aria-label="Equal gaps across"
          title="Equal gaps across"
          onClick={() => space(bench, 'x')}
          className={button}
        >
          <AlignHorizontalDistributeCenter size={15} strokeWidth={1.5} aria-hidden />
        </button>
        <button
          type="button"
          aria-label="Equal gaps down"
          title="Equal gaps down"
          onClick={() => space(bench, 'y')}
          className={button}
        >
          <AlignVerticalDistributeCenter size={15} strokeWidth={1.5} aria-hidden />
        </button>
        <NumberField
          label="Gap"
          value={gap}
          placeholder="equal"
          step={0.5}
          className="!w-8 border-b border-ink text-center"
          limits={{ least: -4096, most: 4096 }}
          onChange={(value) => bench.put(ARRANGE, { gap: value })}
        />
        {gap !== null && (
          <button
            type="button"
            aria-label="No fixed gap"
            title="Distribute between the outermost objects"
            className="px-1 text-quiet hover:text-ink"
            onClick={() => bench.put(ARRANGE, { gap: null })}
          >
            ✕
          </button>
        )}
      </div>
      <div role="group" aria-label="Optical centre" className="flex items-center border-l border-hair pl-1">
        {optical('ink', 'ink', 'Centre by the ink')}
        {optical('circle', 'circle', 'Centre by the least circle around it')}
      </div>
    </div>
  )
}
