'use client'

import { Scaling } from 'lucide-react'
import { useState } from 'react'
import { rotation, type Transform } from '@/core/geometry/transform'
import { Choice } from '@/ui/choice'
import { type Limits } from '@/ui/limits'
import { NumberField } from '@/ui/number-field'
import { figure } from '@/ui/sum'
import { outermost } from '@/core/drawing/tree'
import { ArrangeSettings } from './arrange/arrange-settings'
import { useBench, useBenchState, useCalmObjects } from './context'
import { transformSelection } from './operations'
import type { BenchState } from './store'
import { MeasureSettings } from './measure-settings'
import { TextSettings } from './text-settings'
import { pivotOf, scaling, slanting } from './tools/turn'

const FIELD = '!w-11 border-b border-ink text-center text-ink'

/** The settings of the tool in hand. */
export function ToolSettings() {
  const bench = useBench()
  const tool = useBenchState((state) => state.tool)
  const sides = useBenchState((state) => state.sides)
  const smoothness = useBenchState((state) => state.smoothness)
  switch (tool) {
    case 'rectangle':
    case 'ellipse':
      return <LaySettings ellipse={tool === 'ellipse'} />
    case 'arrow':
    case 'spiral':
      return (
        <>
          <PolygonKind tool={tool} />
          <LaySize />
        </>
      )
    case 'measure':
      return <MeasureSettings />
    case 'polygon':
    case 'star':
      return (
        <>
          {tool === 'polygon' && <PolygonKind tool={tool} />}
          <Setting word={tool === 'star' ? 'points' : 'sides'}>
            <NumberField
              label="Sides"
              value={sides}
              step={1}
              className={FIELD}
              limits={{ least: 3, most: 120, whole: true }}
              onChange={(value) => bench.store.setState({ sides: value })}
            />
          </Setting>
          <LaySize />
        </>
      )
    case 'freehand':
      return (
        <Setting word="smoothness">
          <NumberField
            label="Smoothness"
            value={smoothness}
            step={0.05}
            className={FIELD}
            limits={{ least: 0.01, most: 10 }}
            onChange={(value) => bench.store.setState({ smoothness: value })}
          />
        </Setting>
      )
    case 'sample':
      return <SampleSettings />
    case 'turn':
      return <TurnSettings />
    case 'select':
      return <SelectSettings />
    default:
      return null
  }
}

const LAYS = [
  { value: 'corners', label: 'by corners' },
  { value: 'tilted', label: 'tilted' },
] as const
const THREE = { value: 'three', label: 'three places' } as const
const PARTS = [
  { value: 'whole', label: 'whole' },
  { value: 'ring', label: 'ring' },
  { value: 'pie', label: 'pie' },
  { value: 'arc', label: 'arc' },
] as const

/** How rectangles and ellipses are laid, and at what size a click places them. */
function LaySettings({ ellipse }: { ellipse: boolean }) {
  const bench = useBench()
  const layBy = useBenchState((state) => (state.layBy === 'three' && !ellipse ? 'corners' : state.layBy))
  const part = useBenchState((state) => state.part)
  return (
    <div className="flex items-center gap-2 pl-3">
      <Choice<BenchState['layBy']>
        label="Lay by"
        value={layBy}
        options={ellipse ? [...LAYS, THREE] : LAYS}
        onChange={(next) => bench.store.setState({ layBy: next })}
      />
      {ellipse && (
        <Choice
          label="Part"
          value={part}
          options={PARTS}
          onChange={(next: BenchState['part']) => bench.store.setState({ part: next })}
        />
      )}
      {layBy === 'corners' && <LaySize />}
    </div>
  )
}

const KINDS = [
  { value: 'polygon', label: 'polygon' },
  { value: 'arrow', label: 'arrow' },
  { value: 'spiral', label: 'spiral' },
] as const

/** The tools that lie under the polygon's. */
function PolygonKind({ tool }: { tool: (typeof KINDS)[number]['value'] }) {
  const bench = useBench()
  return (
    <div className="flex items-center pl-3">
      <Choice label="Shape" value={tool} options={KINDS} onChange={(next) => bench.take(next)} />
    </div>
  )
}

const SIZE: Limits = { least: 0, above: true, most: 1e5 }

/** The size that a click places. */
function LaySize() {
  const bench = useBench()
  const size = useBenchState((state) => state.laySize)
  const set = (key: 'w' | 'h') => (value: number) =>
    bench.store.setState({ laySize: { w: size?.w ?? value, h: size?.h ?? value, [key]: value } })
  return (
    <div
      className="flex items-center gap-1.5 pl-3 whitespace-nowrap text-quiet"
      title="A click places this size; Alt: by its centre"
    >
      click places
      <NumberField
        label="Width a click places"
        value={size?.w ?? null}
        step={0.5}
        placeholder="w"
        className="!w-9 border-b border-ink text-center text-ink"
        limits={SIZE}
        onChange={set('w')}
      />
      ×
      <NumberField
        label="Height a click places"
        value={size?.h ?? null}
        step={0.5}
        placeholder="h"
        className="!w-9 border-b border-ink text-center text-ink"
        limits={SIZE}
        onChange={set('h')}
      />
      {size && (
        <button
          type="button"
          aria-label="No size"
          title="No size"
          className="px-1 hover:text-ink"
          onClick={() => bench.store.setState({ laySize: null })}
        >
          ✕
        </button>
      )}
    </div>
  )
}

const SIDES = [
  { value: '1', label: '1' },
  { value: '3', label: '3' },
  { value: '5', label: '5' },
  { value: '11', label: '11' },
] as const

/** How many pixels are averaged. */
function SampleSettings() {
  const bench = useBench()
  const side = useBenchState((state) => state.sampleSide)
  return (
    <div className="flex items-center gap-2 pl-3 whitespace-nowrap text-quiet">
      pixels averaged along a side
      <Choice
        label="Pixels averaged"
        value={String(side) as '1'}
        options={SIDES}
        onChange={(next) => bench.store.setState({ sampleSide: Number(next) as BenchState['sampleSide'] })}
      />
    </div>
  )
}

function Setting({ word, children }: { word: string; children: React.ReactNode }) {
  return (
    <label className="flex items-center gap-2 pl-3 whitespace-nowrap text-quiet">
      {word}
      {children}
    </label>
  )
}

/** What the selection itself can be told. */
function SelectSettings() {
  const objects = useCalmObjects()
  const selection = useBenchState((state) => state.selection)
  const [only, ...more] = outermost(objects, selection)
  if (only?.kind === 'text' && more.length === 0) return <TextSettings key={only.id} object={only} />
  return (
    <>
      {selection.size > 0 && <ArrangeSettings />}
      <ScaleOwn />
    </>
  )
}

/** Whether weights and corners that do not come from the rules scale with the object. */
function ScaleOwn() {
  const bench = useBench()
  const scaleOwn = useBenchState((state) => state.scaleOwn)
  const selected = useBenchState((state) => state.selection.size > 0)
  if (!selected) return null
  return (
    <div className="flex items-center border-l border-hair pl-1">
      <button
        type="button"
        aria-pressed={scaleOwn}
        title="Weights and corners that are numbers of their own scale with the object, or stay. Those from the rules never scale."
        onClick={() => bench.store.setState({ scaleOwn: !scaleOwn })}
        aria-label="Own weights and corners scale too"
        className="grid size-6 place-items-center rounded-sheet text-ink hover:bg-film aria-pressed:bg-ink aria-pressed:text-sheet"
      >
        <Scaling size={15} strokeWidth={1.5} aria-hidden />
      </button>
    </div>
  )
}

const WAYS = [
  { value: 'turn', label: 'turn' },
  { value: 'scale', label: 'scale' },
  { value: 'slant', label: 'slant' },
] as const
const UNITS = { turn: '°', scale: '%', slant: '°' } as const

/** Turning, scaling and slanting by number, about the pivot, with copies. */
function TurnSettings() {
  const bench = useBench()
  const way = useBenchState((state) => state.turnBy)
  const pivot = useBenchState((state) => state.pivot)
  const [amounts, setAmounts] = useState({ turn: 45, scale: 50, slant: 15 })
  const [copies, setCopies] = useState(0)
  useBenchState((state) => state.selection)
  const at = pivot ?? pivotOf(bench)
  const amount = amounts[way]
  const apply = () => {
    if (!at) return
    const maps: Record<typeof way, Transform> = {
      turn: rotation(amount, at),
      scale: scaling(amount / 100, amount / 100, at),
      slant: slanting(amount, true, at),
    }
    const words = {
      turn: `Turn by ${figure(amount)}°`,
      scale: `Scale to ${figure(amount)} %`,
      slant: `Slant by ${figure(amount)}°`,
    }[way]
    if (way === 'scale' && amount === 0) return
    transformSelection(bench, maps[way], words, { copies, scale: way === 'scale' ? Math.abs(amount) / 100 : 1 })
  }
  const movePivot = (axis: 'x' | 'y') => (value: number) =>
    at && bench.store.setState({ pivot: { ...at, [axis]: value } })
  return (
    <div className="flex items-center gap-2 pl-3 whitespace-nowrap text-quiet">
      <Choice
        label="What the tool does"
        value={way}
        options={WAYS}
        onChange={(turnBy: BenchState['turnBy']) => bench.store.setState({ turnBy })}
      />
      <NumberField
        label="Amount"
        value={amount}
        step={way === 'turn' ? 15 : 5}
        unit={UNITS[way]}
        className={FIELD}
        limits={way === 'slant' ? { least: -85, most: 85 } : { least: -10_000, most: 10_000 }}
        onChange={(value) => setAmounts({ ...amounts, [way]: value })}
      />
      <span>copies</span>
      <NumberField
        label="Copies"
        value={copies}
        step={1}
        className="!w-7 border-b border-ink text-center text-ink"
        limits={{ least: 0, most: 120, whole: true }}
        onChange={setCopies}
      />
      <span>about</span>
      {(['x', 'y'] as const).map((axis) => (
        <NumberField
          key={axis}
          label={`Pivot ${axis}`}
          value={at?.[axis] ?? null}
          step={0.5}
          className="!w-9 border-b border-ink text-center text-ink"
          onChange={movePivot(axis)}
        />
      ))}
      <button
        type="button"
        onClick={apply}
        disabled={!at}
        className="h-6 rounded-sheet border border-ink bg-ink px-2.5 text-sheet enabled:hover:border-hand enabled:hover:bg-hand disabled:opacity-40"
      >
        Apply
      </button>
    </div>
  )
}
