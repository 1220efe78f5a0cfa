'use client'

import clsx from 'clsx'
import { type PointerEvent, useRef, useState } from 'react'
import type { Stop } from '@/core/drawing/model/paint'

/**
 * A gradient from left to right with its stops below: a press takes one, a drag moves it between its neighbours, a
 * press on the ramp adds one.
 */
export function Ramp({
  css,
  stops,
  chosen,
  colourOf,
  onChoose,
  onMove,
  onAdd,
}: {
  css: string
  stops: readonly Stop[]
  chosen: number | null
  colourOf: (stop: Stop) => string
  onChoose: (stop: number) => void
  /** A stop brought to a place, when it is let go. */
  onMove: (stop: number, at: number) => void
  onAdd: (at: number) => void
}) {
  const bar = useRef<HTMLDivElement>(null)
  const [drag, setDrag] = useState<{ stop: number; at: number; moved: boolean } | null>(null)
  const share = (event: PointerEvent) => {
    const { left, width } = bar.current!.getBoundingClientRect()
    return Math.round(Math.min(1, Math.max(0, (event.clientX - left) / width)) * 200) / 200
  }
  const within = (stop: number, at: number) =>
    Math.min(stops[stop + 1]?.at ?? 1, Math.max(stops[stop - 1]?.at ?? 0, at))
  return (
    <div className="px-1.5 pb-3">
      <div
        ref={bar}
        title="A press adds a stop"
        onPointerDown={(event) => onAdd(share(event))}
        className="h-4 cursor-copy border border-ink"
        style={{ background: `${css}, repeating-conic-gradient(var(--hair) 0 25%, var(--sheet) 0 50%) 0 0 / 8px 8px` }}
      />
      <div className="relative h-0">
        {stops.map((stop, i) => {
          const at = drag?.stop === i ? drag.at : stop.at
          return (
            <button
              key={i}
              type="button"
              aria-label={`Stop ${i + 1} at ${Math.round(at * 100)} %`}
              aria-pressed={chosen === i}
              className={clsx(
                'absolute top-0 h-3 w-[11px] -translate-x-1/2 border',
                chosen === i ? 'z-10 border-hand shadow-[0_0_0_1.5px_var(--hand)]' : 'border-ink',
              )}
              style={{ left: `${at * 100}%`, background: colourOf(stop) }}
              onPointerDown={(event) => {
                event.currentTarget.setPointerCapture(event.pointerId)
                onChoose(i)
                setDrag({ stop: i, at: stop.at, moved: false })
              }}
              onPointerMove={(event) =>
                drag?.stop === i && setDrag({ stop: i, at: within(i, share(event)), moved: true })
              }
              onPointerUp={() => {
                if (drag?.moved) onMove(i, drag.at)
                setDrag(null)
              }}
            />
          )
        })}
      </div>
    </div>
  )
}
