'use client'

import { ConstructionLines, Trim } from '../frame/construction-lines'
import type { Keyline, Rules } from '@/core/rules/rules'
import { figure } from '@/ui/sum'

type Props = {
  readonly rules: Pick<Rules, 'grid' | 'liveArea' | 'keylines'>
  readonly side: number
  /** With it, the keylines and the live area have handles to be dragged. */
  readonly onChange?: (change: { liveArea?: number; keylines?: Keyline[] }) => void
}

/** The square as the rules describe it: grid, live area, keylines with their sizes. */
export function RuleDiagram({ rules, side, onChange }: Props) {
  const { size, major, step } = rules.grid
  const k = side / size
  const middle = side / 2
  const unit = [1, major, major * 4].find((every) => every * k >= 4) ?? size
  const lines = (every: number) => {
    let d = ''
    for (let at = every; at < size - 1e-9; at += every) d += `M${at * k} 0V${side}M0 ${at * k}H${side}`
    return d
  }

  /** Half sizes follow the pointer in steps of the grid, so that centred shapes keep whole edges. */
  const pull = (apply: (w: number, h: number) => void) => (event: React.PointerEvent<SVGElement>) => {
    event.preventDefault()
    const target = event.currentTarget
    target.setPointerCapture(event.pointerId)
    const onMove = (move: PointerEvent) => {
      const { left, top, width } = target.ownerSVGElement!.getBoundingClientRect()
      const reach = (at: number, from: number) => {
        const half = Math.abs(((at - from) / width) * size - size / 2)
        return Math.min(size, Math.max(step, Math.round((half * 2) / step) * step))
      }
      apply(reach(move.clientX, left), reach(move.clientY, top))
    }
    const onUp = () => {
      target.removeEventListener('pointermove', onMove)
      target.removeEventListener('pointerup', onUp)
    }
    target.addEventListener('pointermove', onMove)
    target.addEventListener('pointerup', onUp)
  }
  const setKeyline = (index: number, change: Partial<Keyline>) =>
    onChange?.({ keylines: rules.keylines.map((keyline, i) => (i === index ? { ...keyline, ...change } : keyline)) })

  return (
    <svg
      viewBox={`-1 -1 ${side + 2} ${side + 2}`}
      width={side}
      height={side}
      role="img"
      aria-label="Diagram of the square"
      fill="none"
      className="block max-w-full touch-none select-none"
    >
      <rect width={side} height={side} fill="var(--sheet)" />
      {unit !== major && unit * k >= 4 && <path d={lines(unit)} stroke="var(--faint)" />}
      <path d={lines(major)} stroke="var(--hair)" />
      <ConstructionLines rules={rules} view={{ x: 0, y: 0, scale: k }} />
      <Trim rules={rules} view={{ x: 0, y: 0, scale: k }} />
      <rect
        x={middle - (rules.liveArea * k) / 2}
        y={middle - (rules.liveArea * k) / 2}
        width={rules.liveArea * k}
        height={rules.liveArea * k}
        stroke="var(--key)"
        fill="var(--key)"
        fillOpacity=".05"
      />
      {rules.keylines.map(({ name, shape, w, h }) => {
        const box = { x: middle - (w * k) / 2, y: middle - (h * k) / 2, width: w * k, height: h * k }
        return shape === 'ellipse' ? (
          <ellipse
            key={name}
            cx={middle}
            cy={middle}
            rx={box.width / 2}
            ry={box.height / 2}
            stroke="var(--key)"
            strokeDasharray="5 4"
            strokeWidth="1.25"
          />
        ) : (
          <rect key={name} {...box} stroke="var(--key)" strokeDasharray="5 4" strokeWidth="1.25" />
        )
      })}
      <rect width={side} height={side} stroke="var(--ink)" />
      {onChange && (
        <>
          {rules.keylines.map(({ name, w, h }, i) => {
            const x = middle + (w * k) / 2,
              y = middle + (h * k) / 2
            // Each keyline's handles lie at a height of their own, so that none covers another's.
            const offset = (i - (rules.keylines.length - 1) / 2) * 18
            return (
              <g key={i} fill="var(--sheet)" stroke="var(--key)" strokeWidth="1.5">
                <Grip
                  x={x}
                  y={middle + offset}
                  cursor="ew-resize"
                  label={`Pull the width of ${name}`}
                  title={`${name} ${figure(w)} wide`}
                  onPointerDown={pull((width) => setKeyline(i, { w: width }))}
                />
                <Grip
                  x={middle + offset}
                  y={y}
                  cursor="ns-resize"
                  label={`Pull the height of ${name}`}
                  title={`${name} ${figure(h)} high`}
                  onPointerDown={pull((_, height) => setKeyline(i, { h: height }))}
                />
              </g>
            )
          })}
          <g fill="var(--key)" stroke="var(--sheet)" strokeWidth="1.5">
            <Grip
              x={middle + (rules.liveArea * k) / 2}
              y={middle - (rules.liveArea * k) / 2}
              cursor="nesw-resize"
              label="Pull the live area"
              title={`live area ${figure(rules.liveArea)}`}
              onPointerDown={pull((w, h) => onChange({ liveArea: Math.max(w, h) }))}
            />
          </g>
        </>
      )}
    </svg>
  )
}

function Grip({
  x,
  y,
  label,
  title,
  cursor,
  onPointerDown,
}: {
  x: number
  y: number
  label: string
  title: string
  cursor: string
  onPointerDown: (event: React.PointerEvent<SVGElement>) => void
}) {
  return (
    <rect
      x={x - 4.5}
      y={y - 4.5}
      width={9}
      height={9}
      aria-label={label}
      style={{ cursor }}
      onPointerDown={onPointerDown}
      className="hover:fill-hand"
    >
      <title>{title}</title>
    </rect>
  )
}
