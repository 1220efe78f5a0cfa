'use client'

import clsx from 'clsx'
import { Circle, Combine, Hexagon, type LucideIcon, MousePointer2, PenLine, Signature, Slash, Square, Star, Waypoints } from 'lucide-react'
import type { ReactNode } from 'react'
import { Choices } from '@/ui/choice'
import { type Command, keyName, runCommand } from '@/ui/commands'
import { NumberField } from '@/ui/number-field'
import { commit } from '../frame/session'
import { TOOLS } from './commands'
import { useBench, useBenchState, useRules } from './context'
import type { Layers, ToolId } from './store'
import type { SnapSwitches } from '@/core/snap/targets'

const PICTURES: Record<ToolId | 'assemble', LucideIcon> = {
  rectangle: Square,
  ellipse: Circle,
  line: Slash,
  polygon: Hexagon,
  star: Star,
  pen: PenLine,
  freehand: Signature,
  nodes: Waypoints,
  select: MousePointer2,
  assemble: Combine,
}

const LAYERS = [
  { value: 'grid', label: 'grid' },
  { value: 'keylines', label: 'keylines' },
  { value: 'liveArea', label: 'live area' },
  { value: 'rulers', label: 'rulers' },
] as const

const SNAPS = [
  { value: 'grid', label: 'grid' },
  { value: 'keylines', label: 'keylines' },
  { value: 'objects', label: 'objects' },
] as const

const on = <T extends string>(flags: Readonly<Record<T, boolean>>): T[] => (Object.keys(flags) as T[]).filter((key) => flags[key])
const flags = <T extends string>(all: Readonly<Record<T, boolean>>, values: readonly T[]) =>
  Object.fromEntries(Object.keys(all).map((key) => [key, values.includes(key as T)])) as Record<T, boolean>

/** The tools in words, in three clusters, and what is shown and snapped to. */
export function ToolLine({ commands }: { commands: readonly Command[] }) {
  const bench = useBench()
  const layers = useBenchState((state) => state.layers)
  const snaps = useBenchState((state) => state.snaps)
  const rules = useRules()
  const assemble = commands.find(({ id }) => id === 'assemble')!
  return (
    <div role="toolbar" aria-label="Tools" className="col-span-full flex h-10 items-stretch border-b border-hair bg-sheet">
      {TOOLS.map(({ cluster, tools }) => (
        <Cluster key={cluster} name={cluster}>
          {tools.map(({ id, name, key }) => (
            <ToolButton key={id} id={id} name={name} shortcut={key} command={commands.find((command) => command.id === id)!} />
          ))}
        </Cluster>
      ))}
      <Cluster name="Combine">
        <ToolButton id="assemble" name="Assemble" shortcut="KeyA" command={assemble} />
      </Cluster>
      <ToolSettings />
      <div className="ml-auto flex items-center gap-2 px-3 text-quiet">
        <span className="max-[1500px]:sr-only">Show</span>
        <Choices<keyof Layers> label="Show on the square" value={on(layers)} options={LAYERS} onChange={(values) => bench.store.setState({ layers: flags(layers, values) })} />
        <span className="ml-2 whitespace-nowrap">Snap to</span>
        <Choices<keyof SnapSwitches> label="Snap to" value={on(snaps)} options={SNAPS} onChange={(values) => bench.store.setState({ snaps: flags(snaps, values) })} />
        <span className="ml-2">Step</span>
        <NumberField
          label="Step of the grid"
          value={rules.grid.step}
          step={0.25}
          className="!w-9 border-b border-ink text-center text-ink"
          onChange={(step) => {
            if (step >= 0.01 && step <= 256) {
              commit(bench.session, { kind: 'rules', rules: { ...rules, grid: { ...rules.grid, step } }, renames: [] }, `Set the step to ${step}`)
            }
          }}
        />
      </div>
    </div>
  )
}

/** The settings of the tool in hand. */
function ToolSettings() {
  const bench = useBench()
  const tool = useBenchState((state) => state.tool)
  const sides = useBenchState((state) => state.sides)
  const smoothness = useBenchState((state) => state.smoothness)
  const field = '!w-9 border-b border-ink text-center text-ink'
  if (tool === 'polygon' || tool === 'star') {
    return (
      <label className="flex items-center gap-2 px-3 text-quiet">
        {tool === 'star' ? 'points' : 'sides'}
        <NumberField label="Sides" value={sides} step={1} className={field} onChange={(value) => Number.isInteger(value) && value >= 3 && value <= 120 && bench.store.setState({ sides: value })} />
      </label>
    )
  }
  if (tool === 'freehand') {
    return (
      <label className="flex items-center gap-2 px-3 text-quiet">
        smoothness
        <NumberField label="Smoothness" value={smoothness} step={0.05} className={field} onChange={(value) => value >= 0.01 && value <= 10 && bench.store.setState({ smoothness: value })} />
      </label>
    )
  }
  return null
}

function Cluster({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div role="group" aria-label={name} className="flex border-r border-ink">
      {children}
    </div>
  )
}

function ToolButton({ id, name, shortcut, command }: { id: ToolId | 'assemble'; name: string; shortcut: string; command: Command }) {
  const inHand = useBenchState((state) => state.tool === id)
  const showKeys = useBenchState((state) => state.showKeys)
  const Picture = PICTURES[id]
  return (
    <button
      type="button"
      aria-pressed={inHand}
      title={`${name} (${keyName(shortcut)})`}
      onClick={(event) => {
        event.currentTarget.blur()
        runCommand(command)
      }}
      className={clsx('relative flex min-w-13 flex-col items-center justify-center gap-px px-2 text-small leading-[13px] [font-stretch:90%]', inHand ? 'bg-hand text-white' : 'hover:bg-film')}
    >
      <Picture size={16} strokeWidth={1.5} aria-hidden />
      {name}
      {showKeys && <kbd className="absolute top-1 right-1 grid size-4 place-items-center rounded-sheet bg-ink font-sans text-small text-sheet">{keyName(shortcut)}</kbd>}
    </button>
  )
}
