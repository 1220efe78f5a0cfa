'use client'

import clsx from 'clsx'
import {
  ArrowBigRight,
  Circle,
  Combine,
  Crop,
  Crosshair,
  FlipHorizontal2,
  Hexagon,
  type LucideIcon,
  MousePointer2,
  PenLine,
  Pipette,
  RotateCw,
  Ruler,
  Shell,
  Signature,
  Slash,
  Square,
  SquareRoundCorner,
  Star,
  Type,
  Waypoints,
} from 'lucide-react'
import type { ReactNode } from 'react'
import { type Command, keyName, runCommand } from '@/ui/commands'
import { TOOLS } from './commands'
import { useBenchState } from './context'
import type { ToolId } from './store'
import { ToolSettings } from './tool-settings'

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
  arrow: ArrowBigRight,
  spiral: Shell,
  measure: Ruler,
  text: Type,
  corner: SquareRoundCorner,
  turn: RotateCw,
  mirror: FlipHorizontal2,
  sample: Pipette,
  place: Crosshair,
  crop: Crop,
  assemble: Combine,
}

/** The tools in words, in three clusters, and the settings of the one in hand. */
export function ToolLine({ commands }: { commands: readonly Command[] }) {
  const assemble = commands.find(({ id }) => id === 'assemble')!
  return (
    <div
      role="toolbar"
      aria-label="Tools"
      className="col-span-full flex h-10 items-stretch border-b border-hair bg-sheet"
    >
      {TOOLS.map(({ cluster, tools }) => (
        <Cluster key={cluster} name={cluster}>
          {tools
            .filter(({ under }) => !under)
            .map(({ id, name, key }) => (
              <ToolButton
                key={id}
                id={id}
                name={name}
                shortcut={key}
                command={commands.find((command) => command.id === id)!}
              />
            ))}
        </Cluster>
      ))}
      <Cluster name="Combine">
        <ToolButton id="assemble" name="Assemble" shortcut="KeyA" command={assemble} />
      </Cluster>
      <div className="flex min-w-0 flex-1 items-stretch overflow-x-auto pr-3 [scrollbar-width:none]">
        <ToolSettings />
      </div>
    </div>
  )
}

/** Tools without a place of their own in the line, by the one whose settings lead to them. */
const UNDER = new Map(
  TOOLS.flatMap(({ tools }) => tools.flatMap(({ id, under }) => (under ? [[id, under] as const] : []))),
)

function Cluster({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div role="group" aria-label={name} className="flex flex-none border-r border-ink">
      {children}
    </div>
  )
}

function ToolButton({
  id,
  name,
  shortcut,
  command,
}: {
  id: ToolId | 'assemble'
  name: string
  shortcut: string
  command: Command
}) {
  const inHand = useBenchState((state) => state.tool === id || UNDER.get(state.tool) === id)
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
      className={clsx(
        'relative flex min-w-12 flex-none flex-col items-center justify-center gap-px px-1.5 text-small leading-[13px] [font-stretch:90%]',
        inHand ? 'bg-hand text-white' : 'hover:bg-film',
      )}
    >
      <Picture size={16} strokeWidth={1.5} aria-hidden />
      {name}
      {showKeys && (
        <kbd className="absolute top-1 right-1 grid size-4 place-items-center rounded-sheet bg-ink font-sans text-small text-sheet">
          {keyName(shortcut)}
        </kbd>
      )}
    </button>
  )
}
