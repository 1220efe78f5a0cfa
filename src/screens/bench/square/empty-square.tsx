'use client'

import { useBench, useBenchState, useShownMaster } from '../state/context'
import { toScreen } from '../state/view'

const FIRST: readonly (readonly [tool: string, word: string, key: string])[] = [
  ['rectangle', 'rectangle', '1'],
  ['ellipse', 'ellipse', '2'],
  ['line', 'line', '5'],
  ['pen', 'pen', '6'],
]

/** What to do first, on a square with nothing on it yet. */
export function EmptySquare() {
  const bench = useBench()
  const empty = useShownMaster((master) => master !== null && master.objects.length === 0 && !master.references?.length)
  const view = useBenchState((state) => state.view)
  const idle = useBenchState((state) => state.tool === 'select')
  if (!empty || !idle || !view) return null
  const { size } = bench.rules.grid,
    { x, y } = toScreen(view, { x: size / 2, y: size / 2 })
  return (
    <div
      className="pointer-events-none absolute w-[300px] -translate-x-1/2 -translate-y-1/2 bg-sheet/90 px-4 py-3 text-center"
      style={{ left: x, top: y }}
    >
      <p className="text-title font-[640]">Take a tool and drag here</p>
      <p className="mt-1.5 flex justify-center gap-1">
        {FIRST.map(([tool, word, key]) => (
          <button
            key={tool}
            type="button"
            onClick={() => bench.take(tool)}
            className="pointer-events-auto flex h-6 items-center gap-1.5 rounded-sheet border border-ink/70 bg-sheet px-2 hover:border-ink hover:bg-film"
          >
            {word} <kbd className="font-sans text-small text-quiet">{key}</kbd>
          </button>
        ))}
      </p>
      <p className="mt-2 text-quiet">
        The dashed keylines give different shapes the same weight to the eye. Drop a picture to draw by it. ? shows
        every key.
      </p>
    </div>
  )
}
