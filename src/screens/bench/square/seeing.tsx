'use client'

import clsx from 'clsx'
import { useBench, useBenchState, useRules } from '../state/context'
import { RULER } from '../state/view'
import type { BenchState } from '../state/store'
import { OverSquare } from './layers/over-square'

const WAYS: Record<BenchState['seeing'], readonly [word: string, hint: string]> = {
  finish: ['finish', 'As it is painted'],
  outline: ['lines', 'Edges of what is painted, and the centre lines of strokes (O)'],
  tints: ['tints', 'Every object translucent in a tint of its own (K)'],
  pixels: ['pixels', 'As the pixels of a delivered size (P)'],
}

/** How the square is seen, in words beside it. */
export function Seeing() {
  const bench = useBench()
  const rules = useRules()
  const seeing = useBenchState((state) => state.seeing)
  const pixels = useBenchState((state) => state.seenPixels)
  const { snags, allNodes, dimOthers, darkSquare } = useBenchState((state) => state.also)
  const rulers = useBenchState((state) => state.layers.rulers)
  const rulerPixels = useBenchState((state) => state.rulerPixels)
  const put = (state: Partial<BenchState>) => bench.store.setState(state)
  const also = (key: keyof BenchState['also']) =>
    put({ also: { ...bench.store.getState().also, [key]: !bench.store.getState().also[key] } })
  const word = (on: boolean, text: string, title: string, onClick: () => void) => (
    <button
      key={text}
      type="button"
      aria-pressed={on}
      title={title}
      className={clsx('px-1.5 text-right leading-[17px]', on ? 'bg-ink text-sheet' : 'text-quiet hover:text-ink')}
      onClick={(event) => {
        event.currentTarget.blur()
        onClick()
      }}
    >
      {text}
    </button>
  )
  return (
    <OverSquare
      role="group"
      aria-label="Ways of seeing"
      className="right-2 flex w-[70px] flex-col items-stretch bg-film/85 text-small"
      style={{ top: (rulers ? RULER : 0) + 8 }}
    >
      {(Object.keys(WAYS) as BenchState['seeing'][]).map((way) =>
        word(seeing === way, WAYS[way][0], WAYS[way][1], () => put({ seeing: way })),
      )}
      {seeing === 'pixels' && (
        <select
          aria-label="Size whose pixels are seen"
          value={pixels ?? rules.sizes[0]}
          onChange={(event) => put({ seenPixels: Number(event.target.value) })}
          className="bg-transparent pr-0.5 text-right text-ink"
        >
          {rules.sizes.map((size) => (
            <option key={size} value={size}>
              {size} px
            </option>
          ))}
        </select>
      )}
      <span className="my-1 border-t border-hair" />
      {word(snags, 'snags', 'Where something breaks a rule or will look bad', () => also('snags'))}
      {word(allNodes, 'all nodes', 'The nodes of every object (N)', () => also('allNodes'))}
      {word(dimOthers, 'dim others', 'What is not selected is dimmed (M)', () => also('dimOthers'))}
      {word(darkSquare, 'dark', 'The square on the other ground (B)', () => also('darkSquare'))}
      {rulers && (
        <select
          aria-label="Unit of the rulers"
          title="Unit of the rulers"
          value={rulerPixels ?? ''}
          onChange={(event) => put({ rulerPixels: event.target.value === '' ? null : Number(event.target.value) })}
          className="mt-1 bg-transparent text-right text-quiet"
        >
          <option value="">units</option>
          {rules.sizes.map((size) => (
            <option key={size} value={size}>
              {size} px
            </option>
          ))}
        </select>
      )}
    </OverSquare>
  )
}
