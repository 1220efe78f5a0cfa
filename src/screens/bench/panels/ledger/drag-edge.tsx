'use client'

import { useRef } from 'react'
import { useBench, useBenchState } from '../../state/context'
import { NAMES, WIDEST_NAMES } from '../../state/ledger'

/** The upper edge of the ledger, by which it is drawn higher or lower. */
export function HeightEdge() {
  const bench = useBench()
  const height = useBenchState((state) => state.ledgerHeight)
  return (
    <DragEdge
      label="Height of the ledger"
      title="Drag: higher or lower · double click: only its tabs"
      across="y"
      value={height ?? 0}
      step={22}
      sizeOf={({ offsetHeight }) => offsetHeight}
      onTwice={() => bench.store.setState({ ledgerFolded: !bench.store.getState().ledgerFolded })}
      onSize={(next) =>
        bench.store.setState({ ledgerFolded: false, ledgerHeight: within(next, 96, window.innerHeight - 320) })
      }
      className="inset-x-0 -top-[3px] h-[6px] cursor-row-resize"
    />
  )
}

/** The right edge of the names, by which they are made wider. */
export function NamesEdge() {
  const bench = useBench()
  const width = useBenchState((state) => state.nameWidth)
  return (
    <DragEdge
      label="Width of the names"
      title="Drag: wider or narrower · double click: back"
      across="x"
      value={width}
      step={24}
      sizeOf={({ offsetWidth }) => offsetWidth}
      onTwice={() => bench.store.setState({ nameWidth: NAMES })}
      onSize={(next) => bench.store.setState({ nameWidth: within(next, NAMES, WIDEST_NAMES) })}
      className="inset-y-0 -right-[3px] w-[7px] cursor-col-resize border-r border-hair"
    />
  )
}

const within = (size: number, least: number, most: number): number => Math.round(Math.min(most, Math.max(least, size)))

/**
 * An edge of its parent that is dragged, or moved by the arrow keys; a double click has a meaning of its own. The upper edge (`y`)
 * grows upwards, the right one (`x`) to the right. A drag begins at the size that is shown (`sizeOf` the parent).
 */
function DragEdge({
  label,
  title,
  across,
  value,
  step,
  sizeOf,
  onTwice,
  onSize,
  className,
}: {
  label: string
  title: string
  across: 'x' | 'y'
  value: number
  step: number
  sizeOf: (parent: HTMLElement) => number
  onTwice: () => void
  onSize: (size: number) => void
  className: string
}) {
  const start = useRef({ at: 0, size: 0 })
  const placeOf = (event: React.PointerEvent) => (across === 'x' ? event.clientX : -event.clientY)
  const [more, less] = across === 'x' ? ['ArrowRight', 'ArrowLeft'] : ['ArrowUp', 'ArrowDown']
  return (
    <div
      role="separator"
      aria-orientation={across === 'x' ? 'vertical' : 'horizontal'}
      aria-label={label}
      aria-valuenow={value}
      tabIndex={0}
      title={title}
      className={`absolute z-20 touch-none hover:bg-hand/40 ${className}`}
      onDoubleClick={onTwice}
      onKeyDown={(event) => {
        if (event.key !== more && event.key !== less) return
        event.preventDefault()
        event.stopPropagation()
        const now = value || sizeOf(event.currentTarget.parentElement!)
        onSize(now + (event.key === more ? step : -step))
      }}
      onPointerDown={(event) => {
        start.current = { at: placeOf(event), size: sizeOf(event.currentTarget.parentElement!) }
        event.currentTarget.setPointerCapture(event.pointerId)
      }}
      onPointerMove={(event) => {
        const by = placeOf(event) - start.current.at
        if (event.currentTarget.hasPointerCapture(event.pointerId) && by !== 0) onSize(start.current.size + by)
      }}
    />
  )
}
