'use client'

import clsx from 'clsx'
import { useRef, useState } from 'react'
import { flushSync } from 'react-dom'
import { begun, cellBeside, editsCell, leaveCell, openCell } from '@/ui/cell-keys'
import { NumberField } from '@/ui/number-field'
import type { Limits } from '@/ui/limits'
import { figure } from '@/ui/sum'

/**
 * A number of the ledger: shown as text, edited in place by a click, Enter or typing; Tab goes on to the next cell. Null
 * shows “several”; undefined has none.
 */
export function EditCell({
  label,
  value,
  onChange,
  step,
  limits,
  readOnly,
  prefix = '',
  suffix = '',
  zero,
}: {
  label: string
  value: number | null | undefined
  onChange: (value: number) => void
  step: number
  limits?: Limits
  readOnly?: boolean
  prefix?: string
  suffix?: string
  /** What 0 is called where it has a name. */
  zero?: string
}) {
  const [editing, setEditing] = useState(false)
  const button = useRef<HTMLButtonElement>(null)
  if (value === undefined) return <span className="block pr-2 text-right text-quiet/70">–</span>
  const text = value === null ? 'several' : prefix + (value === 0 && zero !== undefined ? zero : figure(value) + suffix)
  if (readOnly) return <span className="block pr-2 text-right text-quiet">{text}</span>
  if (editing) {
    return (
      <NumberField
        label={label}
        value={value}
        onChange={onChange}
        onDone={(by) => {
          if (by === 'leaving' || begun.byPress) return setEditing(false)
          flushSync(() => setEditing(false))
          button.current?.focus()
        }}
        onTab={(field, back) => {
          const next = cellBeside(field, back)
          if (next) openCell(next)
          return next !== null
        }}
        step={step}
        limits={limits}
        placeholder="several"
        autoFocus
        className="h-5 border border-hand bg-sheet pr-1.5 text-right outline-none"
      />
    )
  }
  return (
    <button
      ref={button}
      type="button"
      data-cell="number"
      aria-label={`${label}: ${text}`}
      onClick={({ detail }) => {
        if (detail > 0) begun.byPress = true
        setEditing(true)
      }}
      onKeyDown={(event) => {
        if (leaveCell(event)) return
        if (event.key !== 'Tab') begun.byPress = false
        if (!editsCell(event)) return
        event.stopPropagation()
        if (event.ctrlKey || event.metaKey) event.preventDefault()
        // The field must be there before the typed character arrives.
        flushSync(() => setEditing(true))
      }}
      className={clsx(
        'block h-5 w-full truncate rounded-sheet pr-2 text-right hover:bg-sheet hover:outline hover:outline-hair',
        value === null && 'text-quiet',
      )}
    >
      {text}
    </button>
  )
}
