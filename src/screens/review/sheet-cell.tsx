'use client'

import clsx from 'clsx'
import Link from 'next/link'
import { memo, useState } from 'react'
import type { Snag } from '@/core/checks/snag'
import type { Rules } from '@/core/rules/rules'
import { type Icon, masterFor, tagsOf } from '@/core/set/set'
import { IconPicture } from '../frame/icon-picture'
import { useFurtherSnags, useSnags } from '../session/snags'
import type { Look } from './grounds'

/** An icon on the sheet: at the chosen sizes, with its name, to be opened, selected or renamed. */
export const SheetCell = memo(function SheetCell({
  icon,
  rules,
  sizes,
  zoom,
  look,
  filter,
  gap,
  href,
  beside,
  isSelected,
  onSelect,
  onRename,
}: {
  icon: Icon
  rules: Rules
  sizes: readonly number[]
  zoom: number
  look: Look
  filter: string | undefined
  gap: number
  href: string
  beside: readonly Snag[] | undefined
  isSelected: boolean
  onSelect: (id: string, isRange: boolean) => void
  /** Gives the icon a name, or says why it cannot have it. */
  onRename: (icon: Icon, name: string) => string | null
}) {
  return (
    <div
      className={clsx(
        'group relative flex h-full flex-col items-center justify-between border px-2 pt-4 pb-2',
        // A bar at the foot: a frame around each of many selected icons would outweigh the icons.
        isSelected && 'border-b-hand! shadow-[inset_0_-2px_0_var(--hand)]',
      )}
      style={{ borderColor: look.hair, background: look.color }}
    >
      <button
        type="button"
        role="checkbox"
        aria-checked={isSelected}
        aria-label={`Select ${icon.name}`}
        title="Select it; with Shift all from the last one to here"
        onClick={(event) => onSelect(icon.id, event.shiftKey)}
        className={clsx(
          'absolute top-1 left-1 z-[2] grid size-4 place-items-center border text-[10px] leading-none',
          isSelected
            ? 'border-hand bg-hand text-white'
            : 'border-current opacity-0 group-focus-within:opacity-60 group-hover:opacity-60 focus-visible:opacity-100',
        )}
      >
        {isSelected ? '✓' : ''}
      </button>
      <Link
        href={href}
        // All lead to one page: asking the server for each that is scrolled past would keep it busy.
        prefetch={false}
        title={`Draw ${icon.name}`}
        onClick={(event) => {
          if (!event.ctrlKey && !event.metaKey && !event.shiftKey) return
          event.preventDefault()
          onSelect(icon.id, event.shiftKey)
        }}
        className="flex flex-1 items-center outline-offset-4 hover:opacity-80"
        style={{ gap, filter }}
      >
        {sizes.map((size) => (
          <IconPicture
            key={size}
            icon={icon}
            rules={rules}
            ground={look.palette}
            size={size}
            scale={zoom}
            label={`${icon.name} at ${size}`}
          />
        ))}
      </Link>
      <span className="mt-2 flex max-w-full items-baseline gap-1.5 text-small" title={tagsOf(icon).join(', ')}>
        <Name name={icon.name} onRename={(name) => onRename(icon, name)} />
        <SnagCount icon={icon} rules={rules} beside={beside} color={look.snag} />
      </span>
    </div>
  )
})

/** A name that is edited in its place: by a double click, or by F2 or Enter where it has the focus. */
function Name({ name, onRename }: { name: string; onRename: (name: string) => string | null }) {
  const [text, setText] = useState<string | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  if (text === null)
    return (
      <button
        type="button"
        title="Double click to rename"
        onDoubleClick={() => setText(name)}
        onKeyDown={(event) => {
          if (event.key !== 'F2' && event.key !== 'Enter') return
          event.preventDefault()
          setText(name)
        }}
        className="truncate"
      >
        {name}
      </button>
    )
  const end = () => {
    setText(null)
    setProblem(null)
  }
  return (
    <input
      autoFocus
      aria-label={`Name of ${name}`}
      aria-invalid={problem !== null}
      title={problem ?? undefined}
      value={text}
      onChange={({ target }) => setText(target.value)}
      onFocus={({ target }) => target.select()}
      onBlur={end}
      onKeyDown={(event) => {
        if (event.key === 'Escape') end()
        if (event.key !== 'Enter') return
        const answer = onRename(text.trim())
        if (answer === null) end()
        else setProblem(answer)
      }}
      className={clsx('w-24 border bg-sheet px-1 text-center text-ink', problem ? 'border-fault' : 'border-ink')}
    />
  )
}

/** How many snags an icon has. */
function SnagCount({
  icon,
  rules,
  beside = [],
  color,
}: {
  icon: Icon
  rules: Rules
  beside?: readonly Snag[] | undefined
  color: string
}) {
  const own = useSnags(masterFor(icon), rules)
  const further = useFurtherSnags(icon, rules)
  const snags = [...(own ?? []), ...(further ?? []), ...beside]
  if (snags.length === 0) return null
  return (
    <span className="flex-none" style={{ color }} title={snags.map(({ sentence }) => sentence).join('\n')}>
      ◇ {snags.length}
    </span>
  )
}
