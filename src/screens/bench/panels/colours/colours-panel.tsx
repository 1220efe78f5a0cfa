'use client'

import type { Panel } from '../ledger/panel'
import { sceneOf } from '@/core/drawing/evaluate/evaluated-scene'
import { paintedWithin } from '@/core/drawing/edit/paint'
import { outermost } from '@/core/drawing/objects/tree'
import { useBenchState, useDeferredObjects, useRules } from '../../state/context'
import { PaintEditor } from './paint-editor'
import { PaintList } from './paint-list'
import { StrokeSettings } from './stroke-settings'
import { UsedColours } from './used-colours'

/** The finish of the selection: its paints in order, the paint in hand, its stroke, and the colours used in it. */
function ColoursPanel() {
  const objects = useDeferredObjects()
  const rules = useRules()
  const selection = useBenchState((state) => state.selection)
  const painted = paintedWithin(outermost(objects, selection), sceneOf(rules))
  const all = painted.length > 0 ? painted : paintedWithin(objects, sceneOf(rules))
  return (
    <div className="flex h-full min-w-[900px] divide-x divide-hair">
      {painted.length === 0 ? (
        <p className="w-[520px] flex-none px-4 py-3 text-quiet">
          Select objects to see how they are painted: fills over each other, gradients, strokes. Sample colours from a
          picture or an object with I.
        </p>
      ) : (
        <>
          <PaintList objects={painted} rules={rules} />
          <PaintEditor objects={painted} rules={rules} />
          <StrokeSettings objects={painted} rules={rules} />
        </>
      )}
      <UsedColours objects={all} rules={rules} chosen={painted.length > 0} />
    </div>
  )
}

export const coloursPanel: Panel = { id: 'colours', word: 'Colours', Body: ColoursPanel }
