'use client'

import { useEffect, useState } from 'react'
import type { Blurred, Crispness } from '@/core/proof/crispness'
import type { DrawingObject } from '@/core/drawing/object'
import type { Rules } from '@/core/rules/rules'
import { crispnessOf } from '@/workers/questions'
import { useCalmMaster, useRules, useSlot } from './context'
import { slot } from './slot'
import { toScreen, type View } from './view'

/** The delivered size whose blurred edges are marked; null for none. */
export const CRISP = slot('crisp', { markedAt: null as number | null })

const known = new WeakMap<readonly DrawingObject[], { readonly rules: Rules; readonly all: readonly Crispness[] }>()

/** How crisp a drawing is at a delivered size; found in a worker, and null until then. */
export function useCrispness(objects: readonly DrawingObject[] | null, rules: Rules, size: number): Crispness | null {
  const [, drawAgain] = useState(0)
  useEffect(() => {
    if (!objects || known.get(objects)?.rules === rules) return
    return crispnessOf(objects, rules, (all) => {
      known.set(objects, { rules, all })
      drawAgain((n) => n + 1)
    })
  }, [objects, rules])
  const one = objects && known.get(objects)
  return one?.rules === rules ? (one.all[rules.sizes.indexOf(size)] ?? null) : null
}

/** The edges of the open drawing that lie between the pixels of the size that is marked. */
export function BlurredEdges({ view }: { view: View }) {
  const { markedAt } = useSlot(CRISP)
  const master = useCalmMaster()
  const crisp = useCrispness(markedAt === null ? null : (master?.objects ?? null), useRules(), markedAt ?? 0)
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
