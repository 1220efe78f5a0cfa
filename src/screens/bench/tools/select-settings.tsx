'use client'

import { Scaling } from 'lucide-react'
import { outermost } from '@/core/drawing/objects/tree'
import { isContainer } from '@/core/drawing/objects/object'
import { PlacementColours } from './placement-colours'
import { PlateSettings } from './plate-settings'
import { ShadowSettings } from './shadow-settings'
import { OwnSettings } from '../cells/own-numbers'
import { ArrangeSettings } from './arrange-settings'
import { useBench, useBenchState, useDeferredObjects, useSlice } from '../state/context'
import { SCALING } from '../operations/objects'
import { TextSettings } from './text-settings'

/** What the selection itself can be told. */
export function SelectSettings() {
  const objects = useDeferredObjects()
  const selection = useBenchState((state) => state.selection)
  const [only, ...more] = outermost(objects, selection)
  if (only?.kind === 'text' && more.length === 0) return <TextSettings key={only.id} object={only} />
  return (
    <>
      {only && more.length === 0 && (isContainer(only) || only.kind === 'placement') && (
        <OwnSettings key={only.id} object={only} />
      )}
      {only?.kind === 'plate' && more.length === 0 && <PlateSettings object={only} />}
      {only?.shadow && more.length === 0 && <ShadowSettings object={only} />}
      {only?.kind === 'placement' && more.length === 0 && <PlacementColours object={only} />}
      {selection.size > 0 && <ArrangeSettings />}
      <ScaleOwn />
    </>
  )
}

/** Whether weights and corners that do not come from the rules scale with the object. */
function ScaleOwn() {
  const bench = useBench()
  const scaleOwn = useSlice(SCALING).scaleOwn
  const selected = useBenchState((state) => state.selection.size > 0)
  if (!selected) return null
  return (
    <div className="flex items-center border-l border-hair pl-1">
      <button
        type="button"
        aria-pressed={scaleOwn}
        title="Weights and corners that are numbers of their own scale with the object, or stay. Those from the rules never scale."
        onClick={() => bench.put(SCALING, { scaleOwn: !scaleOwn })}
        aria-label="Own weights and corners scale too"
        className="grid size-6 place-items-center rounded-sheet text-ink hover:bg-film aria-pressed:bg-ink aria-pressed:text-sheet"
      >
        <Scaling size={15} strokeWidth={1.5} aria-hidden />
      </button>
    </div>
  )
}
