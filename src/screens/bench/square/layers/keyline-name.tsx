'use client'

import { keylineNear } from '@/core/rules/keyline-near'
import { useBenchState, useRules } from '../../state/context'
import { toScreen, type View } from '../../state/view'
import { Slips } from './slip-marks'
import { slip } from './slips'

/** How near the pointer is to a keyline that it names, in screen pixels. */
const NEAR = 4

/** What the keyline under the pointer is called, and its size. */
export function KeylineName({ view }: { view: View }) {
  const rules = useRules()
  const pointer = useBenchState(({ pointer: at, dragging, inHand }) => (dragging || inHand.intent ? null : at))
  const keyline = pointer && keylineNear(rules, pointer, NEAR / view.scale)
  if (!keyline) return null
  const { x, y } = toScreen(view, pointer),
    { name, shape, w, h } = keyline
  const size = w === h ? `${shape === 'ellipse' ? '⌀' : ''}${w}` : `${w} × ${h}`
  return (
    <g stroke="var(--key)">
      <Slips slips={[slip(`${name} ${size}`, 'word', x + 12, y - 21)]} />
    </g>
  )
}
