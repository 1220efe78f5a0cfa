'use client'

import clsx from 'clsx'
import type { LucideIcon } from 'lucide-react'

/** Switches a flag of an object, with a picture for each of its ways. */
export function FlagButton({
  label,
  on,
  onClick,
  pictures: [Off, On],
}: {
  label: string
  on: boolean
  onClick: () => void
  pictures: [LucideIcon, LucideIcon]
}) {
  const Picture = on ? On : Off
  return (
    <div role="gridcell">
      <button
        type="button"
        data-flag
        aria-label={label}
        aria-pressed={on}
        title={label}
        onClick={onClick}
        className={clsx('grid h-5 w-full place-items-center', on ? 'text-ink' : 'text-quiet/50 hover:text-ink')}
      >
        <Picture size={13} strokeWidth={1.5} aria-hidden />
      </button>
    </div>
  )
}
