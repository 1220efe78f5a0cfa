'use client'

import clsx from 'clsx'
import { useRef, useState } from 'react'
import type { CoordinateState } from '@/core/rules/fit/coordinate-state'
import { useKeyHeld } from '@/ui/key-held'
import { baseIn } from '../state/bench'
import { useBench, useBenchState, useDeferredPlaced, useSetRules, useSlice } from '../state/context'
import { RULER, type View } from '../state/view'
import { MASTERS } from '../operations/masters'
import { TieMarks } from './tie-marks'
import { fitAgain, heldPlace, letGoOrFit, pinTo, showPinned, STATES, nextPlace, wholePlace } from '../operations/pins'

/** How far the pointer goes before a press is a drag, in pixels. */
const SLACK = 3
/** The half of a mark's side, in pixels. */
const HALF = 7

/**
 * Where the edges of a derived master went, as marks along the rulers: a press lets an edge go or fits it again, a drag
 * or an arrow key pins it; and what relates its places, as marks on the square. The master is solved again at once.
 */
export function PinMarks() {
  const rules = useSetRules()
  const isFurther = useBenchState(({ master }) => baseIn(rules, master) !== rules.grid.size)
  const view = useBenchState((state) => state.view)
  const { edges, ties } = useSlice(MASTERS)
  const standing = useDeferredPlaced()?.standing
  if (!isFurther || !edges || !view || standing?.by !== 'derivation') return null
  return (
    <div
      role="group"
      aria-label="Edges of this master"
      className="pointer-events-none absolute inset-0 overflow-hidden"
    >
      {standing.held.map((held) => (
        <PinMark key={`${held.axis} ${held.at}`} held={held} view={view} />
      ))}
      <TieMarks ties={standing.ties} all={ties} view={view} />
      {standing.losses.map(({ at }, i) => (
        <span
          key={i}
          aria-hidden
          className="absolute text-snag"
          style={{ left: view.x + at.x * view.scale, top: view.y + at.y * view.scale, translate: '-50% -50%' }}
        >
          ◇
        </span>
      ))}
    </div>
  )
}

function PinMark({ held, view }: { held: CoordinateState; view: View }) {
  const bench = useBench()
  const { axis, place, edges, state } = held
  const isLevel = axis === 'x'
  const [isHeld, setHeld] = useState(false)
  const drag = useRef<{ from: number; held: CoordinateState; to: number | null } | null>(null)
  const isFree = useKeyHeld('KeyX')
  const at = (isLevel ? view.x : view.y) + place * view.scale
  if (at < RULER + HALF) return null
  const along = (event: React.PointerEvent) => (isLevel ? event.clientX : event.clientY)
  const end = () => {
    drag.current = null
    setHeld(false)
    bench.session.setState({ isHeld: false })
  }
  return (
    <span className="group">
      <button
        type="button"
        role="slider"
        aria-label={`${axis} edge`}
        aria-orientation={isLevel ? 'horizontal' : 'vertical'}
        aria-valuenow={place}
        aria-valuetext={`${heldPlace(held)}, ${STATES[state]}`}
        title={`${heldPlace(held)}: ${STATES[state]}. Drag to pin it elsewhere; press to ${
          state === 'pinned' || state === 'let-go' ? 'fit it again' : 'let it go'
        }.`}
        data-state={state}
        className={clsx(
          'pointer-events-auto absolute grid size-[14px] touch-none place-items-center',
          isLevel ? 'cursor-ew-resize' : 'cursor-ns-resize',
        )}
        style={isLevel ? { left: at - HALF, top: RULER + 1 } : { top: at - HALF, left: RULER + 1 }}
        onPointerDown={(event) => {
          event.stopPropagation()
          event.currentTarget.setPointerCapture(event.pointerId)
          drag.current = { from: along(event), held, to: null }
          setHeld(true)
          bench.session.setState({ isHeld: true })
        }}
        onPointerMove={(event) => {
          const one = drag.current
          if (!one || (one.to === null && Math.abs(along(event) - one.from) < SLACK)) return
          const there = one.held.place + (along(event) - one.from) / view.scale
          const to = isFree ? Math.round(there * 20) / 20 : wholePlace(one.held, there)
          if (to === one.to) return
          one.to = to
          showPinned(bench, one.held, to)
        }}
        onPointerUp={() => {
          const one = drag.current
          end()
          if (!one) return
          if (one.to === null) letGoOrFit(bench, one.held)
          else pinTo(bench, one.held, one.to)
        }}
        onPointerCancel={() => {
          end()
          showPinned(bench, held, null)
        }}
        onKeyDown={(event) => {
          const way = { ArrowLeft: -1, ArrowUp: -1, ArrowRight: 1, ArrowDown: 1 }[event.key]
          if (event.key === 'Escape' && drag.current) {
            end()
            showPinned(bench, held, null)
          } else if (way) pinTo(bench, held, nextPlace(held, way))
          else if (event.key === 'Enter' || event.key === ' ') letGoOrFit(bench, held)
          else if (event.key === 'Delete' || event.key === 'Backspace') fitAgain(bench, held)
          else return
          event.preventDefault()
          event.stopPropagation()
        }}
      >
        <Mark state={state} isLevel={isLevel} />
      </button>
      <span aria-hidden className={clsx('hidden group-hover:block group-has-focus-visible:block', isHeld && '!block')}>
        {edges.map((edge) => {
          const there = (isLevel ? view.x : view.y) + (place + edge) * view.scale
          return (
            <span
              key={edge}
              className={clsx('absolute bg-hand', isLevel ? 'bottom-0 w-px' : 'right-0 h-px')}
              style={isLevel ? { left: there, top: RULER } : { top: there, left: RULER }}
            />
          )
        })}
      </span>
    </span>
  )
}

/** A mark by what became of its edge; each differs in shape, not in colour alone. */
function Mark({ state, isLevel }: { state: CoordinateState['state']; isLevel: boolean }) {
  const shape: Readonly<Record<CoordinateState['state'], React.ReactNode>> = {
    pinned: <path d="M7 13V8M3.5 1h7v3.5L7 8 3.5 4.5z" fill="var(--hand)" stroke="var(--hand)" />,
    'let-go': <path d="M7 1V13" stroke="var(--hand)" strokeDasharray="2 2" strokeWidth="1.5" />,
    crisp: <path d="M4.5 1.5h5V9h-5z" fill="var(--ink)" stroke="var(--sheet)" />,
    'gave-way': <path d="M7 1.5L11 6 7 10.5 3 6z" fill="var(--sheet)" stroke="var(--snag)" strokeWidth="1.5" />,
    soft: <path d="M4.5 1.5h5V9h-5z" fill="var(--sheet)" stroke="var(--quiet)" />,
  }
  return (
    <svg width="14" height="14" aria-hidden className={clsx(!isLevel && '-rotate-90')} fill="none">
      {shape[state]}
    </svg>
  )
}
