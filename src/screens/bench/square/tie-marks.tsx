'use client'

import clsx from 'clsx'
import type { HeldTie } from '@/core/rules/fit/tie'
import { useBench } from '../state/context'
import { RULER, type View } from '../state/view'
import { nextOfTie, pressTie, tieInWords } from '../operations/pins'

/** The side of a mark, in pixels. */
const SIDE = 15

/**
 * Relations between places of a derived master, as marks: a press toggles whether a relation is kept. Relations that
 * hold without being kept are marked only with `all`, because marks take the pointer from the drawing beneath.
 */
export function TieMarks({ ties, all, view }: { ties: readonly HeldTie[]; all: boolean; view: View }) {
  const bench = useBench()
  return ties.map((tie) => {
    if (!all && tie.state === 'holds') return null
    const { kind, at, place, state } = tie
    const left = view.x + place.x * view.scale,
      top = view.y + place.y * view.scale
    if (left < RULER || top < RULER) return null
    return (
      <button
        key={`${kind} ${at.x} ${at.y}`}
        type="button"
        aria-label={tieInWords(tie)}
        title={`${tieInWords(tie)}. Press to ${nextOfTie(tie)}.`}
        data-state={state}
        onPointerDown={(event) => event.stopPropagation()}
        onClick={() => pressTie(bench, tie)}
        className={clsx(
          'pointer-events-auto absolute grid place-items-center border bg-sheet',
          state === 'holds' && 'border-quiet text-quiet opacity-80 hover:border-ink hover:text-ink hover:opacity-100',
          state === 'missed' && 'border-snag text-snag',
          state === 'in-vain' && 'border-2 border-snag text-hand',
          state === 'pinned' && 'border-hand bg-hand text-white',
          state === 'let-go' && 'border-dashed border-hand text-hand',
        )}
        style={{ left: left - SIDE / 2, top: top - SIDE / 2, width: SIDE, height: SIDE }}
      >
        <svg width="11" height="11" viewBox="0 0 11 11" aria-hidden fill="none" stroke="currentColor" strokeWidth="1.2">
          {PICTURES[kind]}
        </svg>
      </button>
    )
  })
}

const PICTURES: Readonly<Record<HeldTie['kind'], React.ReactNode>> = {
  'left-right': <path d="M5.5 0v11M3 3L0.8 5.5 3 8M8 3l2.2 2.5L8 8" />,
  'top-bottom': <path d="M0 5.5h11M3 3L5.5 0.8 8 3M3 8l2.5 2.2L8 8" />,
  end: <path d="M1 9.5h9M5.5 1v8.5" />,
  touch: (
    <>
      <circle cx="5.5" cy="4.5" r="3.5" />
      <path d="M0.5 9h10" />
    </>
  ),
  slant: <path d="M1 9.5h9M1 9.5L8 2" />,
  smooth: <path d="M0.5 9.5h3.5a5 5 0 0 0 5-5V1" />,
}
