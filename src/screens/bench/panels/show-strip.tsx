'use client'

import clsx from 'clsx'
import type { SnapSwitches } from '@/core/snap/targets'
import { NumberField } from '@/ui/number-field'
import { commit } from '../../session/session'
import { useBench, useBenchState, useSetRules } from '../state/context'
import type { Layers } from '../state/seeing'

const SHOW: Record<keyof Layers, string> = {
  grid: 'grid',
  keylines: 'keylines',
  liveArea: 'live',
  guides: 'guides',
  rulers: 'rulers',
  references: 'pictures',
}

const SNAP: Record<keyof SnapSwitches, readonly [word: string, hint: string]> = {
  grid: ['grid', 'The grid, by its step'],
  keylines: ['keylines', 'Keylines, live area and the square'],
  guides: ['guides', 'Guides'],
  nodes: ['nodes', 'Nodes and edges of other objects'],
  middles: ['middles', 'Centres, middles of segments, quadrants of circles'],
  crossings: ['crossings', 'Where edges cross or touch'],
  tangents: ['tangents', 'Tangents and right angles'],
  extensions: ['extended', 'Lines gone on beyond their ends'],
  gaps: ['gaps', 'Equal gaps and equal sizes'],
  edges: ['edges', 'Any place of an edge'],
}

const keys = <T extends object>(record: T) => Object.keys(record) as (keyof T)[]

/** Under the square: the pointer's position, and the Show and Snap lists. */
export function ShowStrip() {
  const bench = useBench()
  const rules = useSetRules()
  const layers = useBenchState((state) => state.layers)
  const snaps = useBenchState((state) => state.snaps)
  const pixelsOf = useBenchState((state) => state.pixelsOf)
  return (
    <div className="flex items-center overflow-x-auto border-t border-hair bg-sheet text-small text-quiet [scrollbar-width:none]">
      <PointerPlace />
      <Switches label="Show on the square" word="show">
        {keys(SHOW).map((key) => (
          <Switch
            key={key}
            on={layers[key]}
            title={`Show ${SHOW[key]}`}
            onClick={() => bench.store.setState({ layers: { ...layers, [key]: !layers[key] } })}
          >
            {SHOW[key]}
          </Switch>
        ))}
      </Switches>
      <Switches label="Snap to" word="snap to">
        {keys(SNAP).map((key) => (
          <Switch
            key={key}
            on={snaps[key]}
            title={SNAP[key][1]}
            onClick={() => bench.store.setState({ snaps: { ...snaps, [key]: !snaps[key] } })}
          >
            {SNAP[key][0]}
          </Switch>
        ))}
      </Switches>
      <label
        className="ml-auto flex flex-none items-center gap-1 border-l border-hair px-2"
        title="Snap to the grid, or to the pixels of a delivered size"
      >
        <select
          aria-label="Snap to the pixels of"
          value={pixelsOf ?? ''}
          onChange={(event) =>
            bench.store.setState({ pixelsOf: event.target.value === '' ? null : Number(event.target.value) })
          }
          className="w-[58px] bg-transparent text-ink"
        >
          <option value="">grid</option>
          {rules.sizes.map((size) => (
            <option key={size} value={size}>
              {size} px
            </option>
          ))}
        </select>
      </label>
      <label className="flex flex-none items-center gap-1 border-l border-hair px-2.5">
        step
        <NumberField
          label="Step of the grid"
          value={rules.grid.step}
          step={0.25}
          className="!w-8 text-center text-ink"
          limits={{ least: 0.01, most: 256 }}
          onChange={(step) =>
            commit(
              bench.session,
              { kind: 'rules', rules: { ...rules, grid: { ...rules.grid, step } }, renames: [] },
              `Set the step to ${step}`,
            )
          }
        />
      </label>
    </div>
  )
}

function PointerPlace() {
  const pointer = useBenchState((state) => state.pointer)
  return (
    <span className="w-[88px] flex-none pl-2 font-mono text-ink">
      {pointer ? `${pointer.x.toFixed(2)}, ${pointer.y.toFixed(2)}` : ''}
    </span>
  )
}

function Switches({ label, word, children }: { label: string; word: string; children: React.ReactNode }) {
  return (
    <div role="group" aria-label={label} className="flex h-full flex-none items-center border-l border-hair pl-2">
      <span className="mr-0.5 flex-none max-[1180px]:sr-only">{word}</span>
      {children}
    </div>
  )
}

/** A word that is on, underlined in ink, or off. */
function Switch({
  on,
  title,
  onClick,
  children,
}: {
  on: boolean
  title: string
  onClick: () => void
  children: React.ReactNode
}) {
  return (
    <button
      type="button"
      aria-pressed={on}
      title={title}
      onClick={(event) => {
        event.currentTarget.blur()
        onClick()
      }}
      className={clsx(
        'h-full flex-none px-[5px] [font-stretch:88%]',
        on ? 'text-ink shadow-[inset_0_-2px_var(--ink)]' : 'text-quiet hover:text-ink',
      )}
    >
      {children}
    </button>
  )
}
