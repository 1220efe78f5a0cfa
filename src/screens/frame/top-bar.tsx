'use client'

import clsx from 'clsx'
import Link from 'next/link'
import { usePathname } from 'next/navigation'
import type { ReactNode } from 'react'
import { openCommandBox } from '@/ui/command-box'
import { type Command, runCommand, useCommandSet } from '@/ui/commands'
import { toggleTheme } from '@/ui/theme'
import { Logo } from './logo'
import { keyName, useKeyboard } from '@/ui/keys'

/** The bar that every screen has; the parts that belong to a set are handed in. */
export function TopBar({ crumb, stages, edits }: { crumb: ReactNode; stages?: ReactNode; edits?: ReactNode }) {
  const keyboard = useKeyboard()
  return (
    <header className="col-span-full grid h-11 grid-cols-[76px_minmax(0,1fr)_auto_auto] max-[1023px]:grid-cols-[56px_minmax(0,1fr)_auto_auto] min-[1180px]:grid-cols-[76px_minmax(0,1fr)_auto_minmax(0,1fr)] items-stretch border-b border-ink bg-sheet">
      <Link
        href="/"
        aria-label="Wise Square, to the shelf"
        title="To the shelf"
        className="grid place-items-center border-r border-hair hover:bg-film"
      >
        <Logo />
      </Link>
      <div className="flex min-w-0 items-center gap-1.5 px-3.5 text-lead whitespace-nowrap">{crumb}</div>
      <nav aria-label="Stages" className="flex">
        {stages}
      </nav>
      <div className="flex items-center justify-end gap-1 px-3">
        <button
          type="button"
          onClick={openCommandBox}
          className="mr-2 flex h-[26px] w-28 items-center max-[1023px]:w-14 min-[1180px]:w-40 justify-between rounded-sheet border border-hair bg-film px-2.5 text-quiet hover:border-quiet"
        >
          <span>
            Find<span className="hidden min-[1180px]:inline"> a command</span>
          </span>
          <kbd className="font-sans text-small max-[1023px]:hidden">{keyName('$mod+KeyK', keyboard)}</kbd>
        </button>
        {edits}
      </div>
    </header>
  )
}

const STAGES = [
  ['rules', 'Rules'],
  ['draw', 'Draw'],
  ['review', 'Review'],
  ['deliver', 'Deliver'],
] as const

/** The four stages in working order; Rules is marked while a change of them waits. */
export function StageLinks({ setId, rulesWait }: { setId: string; rulesWait: boolean }) {
  const path = usePathname()
  return STAGES.map(([stage, name]) => {
    const on = path.startsWith(`/sets/${setId}/${stage}`)
    return (
      <Link
        key={stage}
        href={`/sets/${setId}/${stage}`}
        aria-current={on ? 'page' : undefined}
        className={clsx(
          'flex items-center border-l border-hair px-3 text-lead max-[1023px]:px-2 min-[1180px]:px-4.5 font-[540] last:border-r',
          on ? 'bg-ink text-sheet' : 'text-quiet hover:bg-film hover:text-ink',
        )}
      >
        {name}
        {stage === 'rules' && rulesWait && (
          <span className={clsx('ml-1.5', !on && 'text-snag')} title="A change waits there to be applied or discarded">
            <span aria-hidden>◆</span>
            <span className="sr-only">, a change waits</span>
          </span>
        )}
      </Link>
    )
  })
}

const COMMANDS: readonly Command[] = [
  { id: 'film', name: 'Change between day and night film', words: 'dark mode light theme', run: toggleTheme },
]

/** Commands that every screen has. */
export function CommonCommands() {
  useCommandSet('common', COMMANDS)
  return null
}

/** A word in the bar that does a command. */
export function BarCommand({ command, title }: { command: Command; title?: string }) {
  const missing = command.needs?.() ?? null
  return (
    <button
      type="button"
      aria-disabled={missing !== null}
      title={missing ?? title}
      onClick={() => runCommand(command)}
      className={clsx('h-6 rounded-sheet px-1.5 hover:bg-film', missing !== null && 'text-quiet/70')}
    >
      {command.name}
    </button>
  )
}
