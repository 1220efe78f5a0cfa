'use client'

import { useEffect, useState } from 'react'
import { evaluateAll, excessIn } from '@/core/drawing/evaluate/evaluate'
import { sceneOf } from '@/core/drawing/evaluate/evaluated-scene'
import { shownInk } from '@/core/checks/look/ink'
import { pathData } from '@/core/formats/path-data'
import { masterFor } from '@/core/set/set'
import { baseIn } from '../state/bench'
import { useBenchState, useDeferredIcon, useSetRules, useSlice } from '../state/context'
import { ShapeRuns } from '../cells/shape-runs'
import type { View } from '../state/view'
import { MASTERS } from '../operations/masters'

/** How long each of two masters is seen while they blink, in milliseconds. */
const BLINK = 700

/** Whether the main master is seen in the place of the open one just now. */
export function useBlinked(): boolean {
  const isBlinking = useSlice(MASTERS).compare === 'blink'
  const rules = useSetRules()
  const isFurther = useBenchState(({ master }) => baseIn(rules, master) !== rules.grid.size)
  const [isOther, setOther] = useState(false)
  useEffect(() => {
    if (!isBlinking || !isFurther) return
    const timer = setInterval(() => setOther((was) => !was), BLINK)
    return () => {
      clearInterval(timer)
      setOther(false)
    }
  }, [isBlinking, isFurther])
  return isBlinking && isFurther && isOther
}

/** The main master where the open one lies: in its place, or as an outline over it. */
export function ComparedMaster({ view, as }: { view: View; as: 'artwork' | 'outline' }) {
  const rules = useSetRules()
  const icon = useDeferredIcon()
  const base = useBenchState(({ master }) => baseIn(rules, master))
  const { compare } = useSlice(MASTERS)
  if (!icon || base === rules.grid.size || (as === 'outline' && compare !== 'overlay')) return null
  const { objects } = masterFor(icon)
  if (excessIn(objects, rules)) return null
  const scale = (view.scale * base) / rules.grid.size
  return (
    <g transform={`translate(${view.x} ${view.y}) scale(${scale})`} data-testid={`main-${as}`}>
      {as === 'artwork' ? (
        <ShapeRuns shapes={evaluateAll(objects, sceneOf(rules))} />
      ) : (
        <path
          d={pathData(shownInk({ objects, scene: sceneOf(rules) }))}
          fill="none"
          stroke="var(--guide)"
          strokeWidth={1.25}
          vectorEffect="non-scaling-stroke"
        />
      )}
    </g>
  )
}
