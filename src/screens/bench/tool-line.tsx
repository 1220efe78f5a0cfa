'use client'

import clsx from 'clsx'
import type { ReactNode } from 'react'
import { type Command, runCommand } from '@/ui/commands'
import { keyName, useKeyboard } from '@/ui/keys'
import { useBenchState } from './state/context'
import { TOOLS } from './tools/tools'

const CLUSTERS = ['Lay', 'Shape', 'Combine'] as const

/**
 * The tools in three clusters, the frequent ones with their words, and with them the commands that have a place there. In a
 * wide window all have words, in a low one none.
 */
export function ToolLine({ commands }: { commands: readonly Command[] }) {
  return (
    <div
      role="toolbar"
      aria-label="Tools"
      className="col-span-full flex h-10 items-stretch short:h-7 overflow-x-auto border-b border-hair bg-sheet [scrollbar-width:none]"
    >
      {CLUSTERS.map((cluster) => (
        <Cluster key={cluster} name={cluster}>
          {commands
            .filter((command) => command.inLine?.cluster === cluster)
            .sort((a, b) => placeOf(a) - placeOf(b))
            .map((command) => (
              <ToolButton key={command.id} command={command} place={command.inLine!} />
            ))}
        </Cluster>
      ))}
    </div>
  )
}

/** Keyboard rows of the three clusters. */
const ROWS = ['1234567890', 'QWERTYUIOP', 'ASDFGHJKL']

/** How far along its row the key of a command lies, so that tools lie as their keys do. */
function placeOf({ keys }: Command): number {
  const key = (keys?.[0] ?? '').replace(/^(?:Key|Digit)/, '')
  const row = ROWS.find((one) => key.length === 1 && one.includes(key))
  return row ? row.indexOf(key) : 99
}

/** Tools without a place of their own in the line, by the one whose settings lead to them. */
const UNDER = new Map(TOOLS.map(({ id, under }) => [id, under]))

function Cluster({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div role="group" aria-label={name} className="flex flex-none border-r border-ink">
      {children}
    </div>
  )
}

function ToolButton({
  command,
  place: { picture: Picture, isSeldom, hint },
}: {
  command: Command
  place: NonNullable<Command['inLine']>
}) {
  const { id, name, keys } = command
  const inHand = useBenchState((state) => state.tool === id || UNDER.get(state.tool) === id)
  const showKeys = useBenchState((state) => state.showKeys)
  const key = keyName(keys?.[0] ?? '', useKeyboard())
  return (
    <button
      type="button"
      aria-pressed={inHand}
      title={`${hint ? `${name}. ${hint}` : name} (${key})`}
      onClick={(event) => {
        event.currentTarget.blur()
        runCommand(command)
      }}
      className={clsx(
        'relative flex flex-none flex-col items-center justify-center gap-px px-1 text-small leading-[13px] max-[1240px]:px-px max-[1240px]:[font-stretch:80%]',
        isSeldom
          ? 'min-w-11 max-[1440px]:min-w-9 max-[1240px]:min-w-8 max-[1000px]:min-w-[27px]'
          : 'min-w-12 max-[1240px]:min-w-10 max-[1000px]:min-w-[27px]',
        inHand ? 'bg-hand text-white' : 'hover:bg-film',
      )}
    >
      <Picture size={16} strokeWidth={1.5} aria-hidden />
      <span className={clsx('short:sr-only', isSeldom ? 'max-[1440px]:sr-only' : 'max-[1000px]:sr-only')}>{name}</span>
      {showKeys && (
        <kbd className="absolute top-1 right-1 grid size-4 place-items-center rounded-sheet bg-ink font-sans text-small text-sheet">
          {key}
        </kbd>
      )}
    </button>
  )
}
