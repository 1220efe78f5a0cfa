'use client'

import clsx from 'clsx'
import { useBench, useBenchState } from '../state/context'

const SHARES = [0, 0.5, 1]
const NAMES = [
  ['top left', 'top', 'top right'],
  ['left', 'centre', 'right'],
  ['bottom left', 'bottom', 'bottom right'],
]

/** Chooses the anchor that x, y, w and h refer to: one of nine places of the frame. */
export function AnchorChooser() {
  const bench = useBench()
  const anchor = useBenchState((state) => state.anchor)
  return (
    <div
      role="radiogroup"
      aria-label="Anchor of x, y, w, h"
      className="grid size-[19px] grid-cols-3 border border-hair bg-sheet"
    >
      {SHARES.map((y, row) =>
        SHARES.map((x, column) => {
          const on = anchor.x === x && anchor.y === y
          return (
            <button
              key={`${x} ${y}`}
              type="button"
              role="radio"
              aria-checked={on}
              aria-label={NAMES[row]![column]}
              title={`Anchor: ${NAMES[row]![column]}`}
              onClick={() => bench.store.setState({ anchor: { x, y } })}
              className="grid place-items-center outline-offset-0 hover:bg-film"
            >
              <span className={clsx('block', on ? 'size-[5px] bg-hand' : 'size-[2px] bg-quiet')} />
            </button>
          )
        }),
      )}
    </div>
  )
}
