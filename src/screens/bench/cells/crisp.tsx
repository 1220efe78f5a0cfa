'use client'

import { useEffect, useState } from 'react'
import type { Blurred, Crispness } from '@/core/geometry/crispness'
import { baseFor } from '@/core/rules/rules-for-grid'
import type { Rules } from '@/core/rules/rules'
import type { Icon } from '@/core/set/set'
import { crispnessOf } from '@/workers/questions'
import { baseIn } from '../state/bench'
import { useBenchState, useDeferredIcon, useSetRules, useSlice } from '../state/context'
import { slice } from '../state/slice'
import { toScreen, type View } from '../state/view'

/** The delivered size whose blurred edges are marked; null for none. */
export const CRISP = slice('crisp', { markedAt: null as number | null })

const known = new WeakMap<Icon['masters'], { readonly rules: Rules; readonly all: readonly Crispness[] }>()

/** How crisp an icon is at a delivered size, from the master that fits it; found in a worker, and null until then. */
export function useCrispness(icon: Icon | null, rules: Rules, size: number): Crispness | null {
  const [, drawAgain] = useState(0)
  useEffect(() => {
    if (!icon || known.get(icon.masters)?.rules === rules) return
    return crispnessOf(icon, rules, (all) => {
      known.set(icon.masters, { rules, all })
      drawAgain((n) => n + 1)
    })
  }, [icon, rules])
  const one = icon && known.get(icon.masters)
  return one?.rules === rules ? (one.all[rules.sizes.indexOf(size)] ?? null) : null
}

/** The edges of the open drawing that lie between the pixels of the size that is marked, where it is drawn for that. */
export function BlurredEdges({ view }: { view: View }) {
  const { markedAt } = useSlice(CRISP)
  const rules = useSetRules()
  const base = useBenchState(({ master }) => baseIn(rules, master))
  const isHere = markedAt !== null && baseFor(rules, markedAt) === base
  const icon = useDeferredIcon()
  const crisp = useCrispness(isHere ? icon : null, rules, markedAt ?? 0)
  return (
    <g stroke="var(--snag)" strokeWidth={3} data-blurred={crisp?.blurred.length}>
      {crisp?.blurred.map((edge, i) => {
        const a = toScreen(view, edge.from),
          b = toScreen(view, edge.to)
        return <path key={i} d={`M${a.x} ${a.y}L${b.x} ${b.y}`} />
      })}
    </g>
  )
}

/** The same over a picture of it, so many screen pixels for a unit. */
export function BlurredMarks({ blurred, scale, side }: { blurred: readonly Blurred[]; scale: number; side: number }) {
  return (
    <svg aria-hidden className="absolute inset-0" width={side} height={side}>
      {blurred.map(({ from, to }, i) => (
        <path
          key={i}
          d={`M${from.x * scale} ${from.y * scale}L${to.x * scale} ${to.y * scale}`}
          stroke="var(--snag)"
          strokeWidth={2}
        />
      ))}
    </svg>
  )
}
