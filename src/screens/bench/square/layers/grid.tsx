'use client'

import { ConstructionLines, Trim } from '../../../frame/construction-lines'
import { memo } from 'react'
import type { Rules } from '@/core/rules/rules'
import { type View, toScreen } from '../../state/view'
import type { Layers } from '../../state/seeing'

/** The least distance between grid lines that are drawn, in screen pixels. */
const CLOSEST = 7

/** The square: its sheet beneath the drawing. */
export function Sheet({ rules, view }: { rules: Rules; view: View }) {
  const side = rules.grid.size * view.scale
  return <rect x={view.x} y={view.y} width={side} height={side} fill="var(--sheet)" />
}

/** Live area and keylines over the drawing, in screen pixels so that hairlines stay hairlines. */
export const KeylineLayer = memo(function KeylineLayer({
  rules,
  view,
  layers,
}: {
  rules: Rules
  view: View
  layers: Layers
}) {
  const { size } = rules.grid
  const side = size * view.scale
  return (
    <g fill="none" pointerEvents="none">
      {layers.liveArea && (
        <rect
          {...centred(view, size, rules.liveArea, rules.liveArea)}
          stroke="var(--key)"
          opacity=".45"
          data-layer="live-area"
        />
      )}
      {layers.liveArea && <Trim rules={rules} view={view} />}
      {layers.keylines && <ConstructionLines rules={rules} view={view} />}
      {layers.keylines && (
        <>
          <g stroke="var(--sheet)" strokeWidth={3} strokeDasharray="5 4" opacity=".7">
            <Keylines rules={rules} view={view} />
          </g>
          <g stroke="var(--key)" strokeDasharray="5 4" data-layer="keylines">
            <Keylines rules={rules} view={view} />
          </g>
        </>
      )}
      <rect x={view.x + 0.5} y={view.y + 0.5} width={side} height={side} stroke="var(--ink)" />
    </g>
  )
})

function Keylines({ rules, view }: { rules: Rules; view: View }) {
  return rules.keylines.map(({ name, shape, w, h }) => {
    const box = centred(view, rules.grid.size, w, h)
    return shape === 'ellipse' ? (
      <ellipse
        key={name}
        cx={box.x + box.width / 2}
        cy={box.y + box.height / 2}
        rx={box.width / 2}
        ry={box.height / 2}
      />
    ) : (
      <rect key={name} {...box} />
    )
  })
}

function centred(view: View, size: number, w: number, h: number) {
  const { x, y } = toScreen(view, { x: (size - w) / 2, y: (size - h) / 2 })
  return { x, y, width: w * view.scale, height: h * view.scale }
}

/** The grid, beneath the drawing, or above it with the contrast to see it on dark artwork. */
export const GridLayer = memo(function GridLayer({
  rules,
  view,
  over = false,
}: {
  rules: Rules
  view: View
  over?: boolean
}) {
  const { size, major, step } = rules.grid
  const lines = (every: number, skip: number | null) => {
    let d = ''
    const count = Math.round(size / every)
    for (let i = 1; i < count; i++) {
      const at = i * every
      if (skip !== null && Math.abs(at / skip - Math.round(at / skip)) < 1e-9) continue
      const x = Math.round(view.x + at * view.scale) + 0.5,
        y = Math.round(view.y + at * view.scale) + 0.5
      d += `M${x} ${view.y}v${size * view.scale}M${view.x} ${y}h${size * view.scale}`
    }
    return d
  }
  const unit = size > 256 ? step : 1
  return (
    <g data-layer={over ? 'grid-over' : 'grid'} fill="none" pointerEvents="none" opacity={over ? 0.2 : undefined}>
      {step < unit && step * view.scale >= CLOSEST * 3 && (
        <path d={lines(step, unit)} stroke={over ? 'var(--sheet)' : 'var(--faint)'} strokeDasharray="1 3" />
      )}
      {unit * view.scale >= CLOSEST && <path d={lines(unit, major)} stroke={over ? 'var(--sheet)' : 'var(--faint)'} />}
      {major * view.scale >= CLOSEST && (
        <path
          d={lines(major, null)}
          stroke={over ? 'var(--sheet)' : 'var(--hair)'}
          strokeWidth={over ? 1.5 : undefined}
        />
      )}
    </g>
  )
})
