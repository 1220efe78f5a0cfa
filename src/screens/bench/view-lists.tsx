'use client'

import type { SnapSwitches } from '@/core/snap/targets'
import { NumberField } from '@/ui/number-field'
import { type Tick, TickList } from '@/ui/tick-list'
import { commit } from '../session/session'
import { useBench, useBenchState, useRules, useSetRules } from './state/context'
import type { Layers } from './state/seeing'
import type { BenchState } from './state/store'

/** A word, and what it means where the word does not say it. */
type Word = readonly [word: string, hint?: string]

const SHOW: Readonly<Record<keyof Layers, Word>> = {
  grid: ['Grid'],
  keylines: ['Keylines'],
  liveArea: ['Live area'],
  guides: ['Guides'],
  rulers: ['Rulers'],
  references: ['Reference pictures'],
}

const SNAP: Readonly<Record<keyof SnapSwitches, Word>> = {
  grid: ['Grid', 'The grid, by its step'],
  keylines: ['Keylines', 'Keylines, live area and the square'],
  guides: ['Guides'],
  nodes: ['Nodes', 'Nodes and edges of other objects'],
  middles: ['Middles', 'Centres, middles of segments, quadrants of circles'],
  crossings: ['Crossings', 'Where edges cross or touch'],
  tangents: ['Tangents', 'Tangents and right angles'],
  extensions: ['Extensions', 'Lines extended beyond their ends'],
  gaps: ['Equal gaps', 'Equal gaps and equal sizes'],
  edges: ['Any place of an edge'],
}

const ALSO: Readonly<Record<keyof BenchState['also'], Word>> = {
  snags: ['Mark snags', 'Where something breaks a rule or will look bad'],
  allNodes: ['All nodes', 'The nodes of every object (N)'],
  dimOthers: ['Dim others', 'Everything but the selection is dimmed (M)'],
  darkSquare: ['Dark square', 'The square on the other background (B)'],
}

const WAYS: Readonly<Record<BenchState['seeing'], Word>> = {
  finish: ['finish', 'As it is painted'],
  outline: ['lines', 'Edges of painted areas, and the centre lines of strokes (O)'],
  tints: ['tints', 'Every object translucent in a tint of its own (K)'],
  pixels: ['pixels', 'As the pixels of a delivered size (P)'],
}

const keys = <T extends object>(record: T) => Object.keys(record) as (keyof T)[]
const countOn = (switches: object): number => Object.values(switches).filter((on) => on === true).length

/** A tick for each of some switches, in the order of their words. */
const ticksOf = <K extends string>(
  words: Readonly<Record<K, Word>>,
  switches: Readonly<Record<K, boolean>>,
  put: (next: Readonly<Record<K, boolean>>) => void,
): Tick[] =>
  keys(words).map((key) => ({
    word: words[key][0],
    ...(words[key][1] !== undefined && { hint: words[key][1] }),
    on: switches[key],
    onChange: () => put({ ...switches, [key]: !switches[key] }),
  }))

/** The end of the settings line: the grid's step, and the lists Show, Snap and Seen. */
export function ViewLists() {
  return (
    <div className="ml-auto flex h-full flex-none items-stretch">
      <StepField />
      <ShowList />
      <SnapList />
      <SeenList />
    </div>
  )
}

function StepField() {
  const bench = useBench()
  const rules = useSetRules()
  return (
    <label className="flex flex-none items-center gap-1 border-l border-hair pl-2 text-quiet">
      step
      <NumberField
        label="Step of the grid"
        value={rules.grid.step}
        step={0.25}
        className="!w-9 text-center text-ink"
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
  )
}

function ShowList() {
  const bench = useBench()
  const rules = useRules()
  const layers = useBenchState((state) => state.layers)
  const rulerPixels = useBenchState((state) => state.rulerPixels)
  return (
    <TickList
      label="Show on the square"
      shown={`Show ${countOn(layers)}`}
      ticks={ticksOf(SHOW, layers, (next) => bench.store.setState({ layers: next }))}
      choices={
        layers.rulers
          ? [
              {
                heading: 'Rulers in',
                value: String(rulerPixels ?? ''),
                options: sizes('units', rules.sizes),
                onChange: (value) => bench.store.setState({ rulerPixels: value === '' ? null : Number(value) }),
              },
            ]
          : []
      }
    />
  )
}

function SnapList() {
  const bench = useBench()
  const rules = useSetRules()
  const snaps = useBenchState((state) => state.snaps)
  const pixelsOf = useBenchState((state) => state.pixelsOf)
  return (
    <TickList
      label="Snap to"
      shown={`Snap ${countOn(snaps)}`}
      ticks={ticksOf(SNAP, snaps, (next) => bench.store.setState({ snaps: next }))}
      choices={[
        {
          heading: 'The grid is',
          value: String(pixelsOf ?? ''),
          options: sizes('the step of the rules', rules.sizes),
          onChange: (value) => bench.store.setState({ pixelsOf: value === '' ? null : Number(value) }),
        },
      ]}
    />
  )
}

function SeenList() {
  const bench = useBench()
  const rules = useRules()
  const seeing = useBenchState((state) => state.seeing)
  const pixels = useBenchState((state) => state.seenPixels)
  const also = useBenchState((state) => state.also)
  const put = (state: Partial<BenchState>) => bench.store.setState(state)
  return (
    <TickList
      label="Ways of seeing"
      shown={`Seen: ${WAYS[seeing][0]}`}
      choices={[
        {
          heading: 'The drawing as',
          value: seeing,
          options: keys(WAYS).map((way) => ({
            value: way,
            word: WAYS[way][0],
            ...(WAYS[way][1] && { hint: WAYS[way][1] }),
          })),
          onChange: (way) => put({ seeing: way as BenchState['seeing'] }),
        },
        ...(seeing === 'pixels'
          ? [
              {
                heading: 'Pixels of',
                value: String(pixels ?? rules.sizes[0]),
                options: sizes(null, rules.sizes),
                onChange: (value: string) => put({ seenPixels: Number(value) }),
              },
            ]
          : []),
      ]}
      ticks={ticksOf(ALSO, also, (next) => put({ also: next }))}
    />
  )
}

const sizes = (none: string | null, list: readonly number[]) => [
  ...(none === null ? [] : [{ value: '', word: none }]),
  ...list.map((size) => ({ value: String(size), word: `${none === null ? '' : 'pixels at '}${size} px` })),
]
