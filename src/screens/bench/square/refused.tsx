'use client'

import { sceneOf } from '@/core/drawing/evaluate/evaluated-scene'
import { cannotBeDrawn } from '@/core/checks/drawing/cannot-be-drawn'
import { useBench, useBenchState, useDeferredObjects, useRules } from '../state/context'
import { RULER } from '../state/view'
import { OverSquare } from './layers/over-square'

/** How many objects are named. */
const NAMED = 3

/**
 * Lists objects that cannot be drawn, with reasons: the square leaves them out, and the icon is not delivered until
 * they are repaired.
 */
export function Refused() {
  const bench = useBench()
  const objects = useDeferredObjects()
  const rules = useRules()
  const rulers = useBenchState((state) => state.layers.rulers)
  const snags = cannotBeDrawn.find({ objects, scene: sceneOf(rules), rules })
  const whole = snags.find((snag) => snag.objects.length === 0),
    refused = snags.filter((snag) => snag.objects.length > 0)
  if (snags.length === 0) return null
  return (
    <OverSquare
      role="alert"
      className="left-1/2 max-w-[520px] -translate-x-1/2 border border-fault bg-sheet px-3 py-2 text-fault"
      style={{ top: (rulers ? RULER : 0) + 8 }}
    >
      {whole && <p>{whole.sentence} Delete or simplify something in the table below.</p>}
      {refused.slice(0, NAMED).map(({ objects: ids, sentence }) => (
        <p key={ids.join()} className="flex items-baseline gap-2">
          <span className="flex-1">{sentence}</span>
          <button
            type="button"
            onClick={() => bench.select(ids)}
            className="flex-none text-ink underline hover:text-hand"
          >
            Select it
          </button>
        </p>
      ))}
      {refused.length > NAMED && <p>And {refused.length - NAMED} more.</p>}
      {refused.length > 0 && (
        <p className="mt-0.5 text-quiet">
          {refused.length === 1 ? 'It is' : 'They are'} left out here; the icon is delivered once all of it can be
          drawn.
        </p>
      )}
    </OverSquare>
  )
}
