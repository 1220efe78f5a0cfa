'use client'

import clsx from 'clsx'
import { X } from 'lucide-react'
import type { ReactNode } from 'react'
import { NumberField } from '@/ui/number-field'
import type { Draft } from './draft'

/** What every group of the form shows and changes; problems by the place they are at. */
export type GroupProps = {
  readonly draft: Draft
  readonly onChange: (draft: Draft) => void
  readonly problems: ReadonlyMap<string, string>
}

/** The first free name of a stem and a number. */
export function freshName(stem: string, taken: readonly { name: string }[]): string {
  const names = new Set(taken.map(({ name }) => name))
  for (let n = 1; ; n++) if (!names.has(`${stem}-${n}`)) return `${stem}-${n}`
}

/** A group of the rules with its heading. */
export function Group({
  title,
  note,
  children,
  onAdd,
  addLabel,
}: {
  title: string
  note?: string
  children: ReactNode
  onAdd?: () => void
  addLabel?: string
}) {
  return (
    <section aria-label={title} className="border-b border-hair px-4 py-3">
      <div className="mb-1.5 flex items-baseline justify-between gap-2">
        <h2 className="font-[640]">{title}</h2>
        {note && <span className="truncate text-quiet">{note}</span>}
        {onAdd && (
          <button type="button" onClick={onAdd} className="text-quiet hover:text-hand">
            + {addLabel}
          </button>
        )}
      </div>
      {children}
    </section>
  )
}

export function NumberInput({
  label,
  shown,
  value,
  step,
  onChange,
  problem,
  className,
}: {
  label: string
  shown?: string
  value: number
  step: number
  onChange: (value: number) => void
  problem?: string
  className?: string
}) {
  return (
    <label className={clsx('flex items-center gap-1.5', className)} title={problem}>
      {shown && <span className="text-quiet">{shown}</span>}
      <NumberField
        label={label}
        value={value}
        step={step}
        onChange={onChange}
        className={clsx('field text-right', problem && 'border-fault!')}
      />
    </label>
  )
}

export function NameInput({
  label,
  value,
  onChange,
  problem,
}: {
  label: string
  value: string
  onChange: (value: string) => void
  problem?: string
}) {
  return (
    <input
      aria-label={label}
      aria-invalid={problem !== undefined}
      title={problem}
      value={value}
      spellCheck={false}
      onChange={(event) => onChange(event.target.value)}
      className={clsx('field w-full', problem && 'border-fault!')}
    />
  )
}

export function RemoveButton({ label, onClick, disabled }: { label: string; onClick: () => void; disabled?: boolean }) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      disabled={disabled}
      onClick={onClick}
      className="grid size-6 place-items-center text-quiet enabled:hover:text-fault disabled:opacity-30"
    >
      <X size={13} aria-hidden />
    </button>
  )
}
