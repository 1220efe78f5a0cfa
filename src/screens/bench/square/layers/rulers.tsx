'use client'

import { memo } from 'react'
import { useBenchState } from '../../state/context'
import { RULER, type View } from '../../state/view'

const NICE = [0.1, 0.5, 1, 2, 4, 8, 16, 32, 64, 128, 256]

/** Rulers along the top and the left, in grid units or in pixels of a size. */
export const Rulers = memo(function Rulers({
  view: at,
  stage,
  unit,
}: {
  view: View
  stage: { w: number; h: number }
  /** Grid units that one unit of the rulers is. */ unit: number
}) {
  const view = { ...at, scale: at.scale * unit }
  const tick = NICE.find((step) => step * view.scale >= 8) ?? 512
  const label = NICE.find((step) => step * view.scale >= 44 && step >= tick) ?? 1024
  const places = (from: number, length: number) => {
    const first = Math.ceil((RULER - from) / view.scale / tick)
    const last = Math.floor((length - from) / view.scale / tick)
    return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => {
      const at = (first + i) * tick
      return {
        at,
        x: Math.round(from + at * view.scale) + 0.5,
        long: Math.abs(at / label - Math.round(at / label)) < 1e-6,
      }
    })
  }
  const across = places(view.x, stage.w),
    down = places(view.y, stage.h)
  const text = (place: number) => String(Number(place.toFixed(2))).replace('-', '−')
  return (
    <g pointerEvents="none" fontSize="9.5" fill="var(--quiet)" stroke="none">
      <rect width={stage.w} height={RULER} fill="var(--sheet)" />
      <rect width={RULER} height={stage.h} fill="var(--sheet)" />
      <path d={`M${RULER} ${RULER + 0.5}H${stage.w}M${RULER + 0.5} ${RULER}V${stage.h}`} stroke="var(--hair)" />
      <path d={across.map(({ x, long }) => `M${x} ${long ? 9 : 17}V${RULER}`).join('')} stroke="var(--quiet)" />
      <path d={down.map(({ x: y, long }) => `M${long ? 9 : 17} ${y}H${RULER}`).join('')} stroke="var(--quiet)" />
      {across.map(
        ({ at, x, long }) =>
          long && (
            <text key={`x${at}`} x={x + 3} y={13}>
              {text(at)}
            </text>
          ),
      )}
      {down.map(
        ({ at, x: y, long }) =>
          long && (
            <text key={`y${at}`} x={2} y={y + 10}>
              {text(at)}
            </text>
          ),
      )}
      <PointerMarks view={at} />
      <rect width={RULER} height={RULER} fill="var(--sheet)" />
      <path d={`M${RULER + 0.5} 0V${RULER + 0.5}H0`} stroke="var(--hair)" fill="none" />
    </g>
  )
})

/** The pointer's place on both rulers. */
function PointerMarks({ view }: { view: View }) {
  const pointer = useBenchState((state) => state.pointer)
  if (!pointer) return null
  return (
    <path
      d={`M${view.x + pointer.x * view.scale} 0V${RULER}M0 ${view.y + pointer.y * view.scale}H${RULER}`}
      stroke="var(--hand)"
    />
  )
}
