'use client'

import { alongGuide } from '@/core/snap/targets'
import { guidesOf } from '@/core/set/set'
import { useShownMaster, useSlice } from '../../state/context'
import { GUIDE } from '../../operations/guides'
import { toScreen, type View } from '../../state/view'

/** The guides of the icon, across the whole stage; locked ones are drawn fainter. */
export function GuideLayer({ view, size }: { view: View; size: number }) {
  const inHand = useSlice(GUIDE).id
  const guides = useShownMaster((master) => master && guidesOf(master))
  return (
    <g stroke="var(--guide)" fill="none">
      {guides?.map(({ id, at, angle, locked }) => {
        const { from, to } = alongGuide(at, angle, 6 * size)
        const a = toScreen(view, from),
          b = toScreen(view, to)
        const d = `M${a.x} ${a.y}L${b.x} ${b.y}`
        return (
          <g key={id} opacity={locked ? 0.55 : 1}>
            <path d={d} stroke="var(--sheet)" strokeWidth={3} opacity=".6" />
            <path d={d} {...(id === inHand && { stroke: 'var(--hand)', strokeWidth: 2 })} />
          </g>
        )
      })}
    </g>
  )
}
