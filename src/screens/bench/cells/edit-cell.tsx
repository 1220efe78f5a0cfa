'use client'

import clsx from 'clsx'
import { useState } from 'react'
import { flushSync } from 'react-dom'
import { NumberField } from '@/ui/number-field'
import type { Limits } from '@/ui/limits'
import { figure } from '@/ui/sum'

/**
 * A number of the ledger: shown as text, edited in place by a click, Enter or typing. Null shows “several”; undefined
 * has none.
 */
export function EditCell({
  label,
  value,
  onChange,
  step,
  limits,
  readOnly,
  suffix = '',
}: {
  label: string
  value: number | null | undefined
  onChange: (value: number) => void
  step: number
  limits?: Limits
  readOnly?: boolean
  suffix?: string
}) {
  const [editing, setEditing] = useState(false)
  if (value === undefined) return <span className="block pr-2 text-right text-quiet/70">–</span>
  const text = value === null ? 'several' : `${figure(value)}${suffix}`
  if (readOnly) return <span className="block pr-2 text-right text-quiet">{text}</span>
  if (editing) {
    return (
      <NumberField
        label={label}
        value={value}
        onChange={onChange}
        onDone={() => setEditing(false)}
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
      type="button"
      aria-label={`${label}: ${text}`}
      onClick={() => setEditing(true)}
      onKeyDown={(event) => {
        // The field must be there before the typed character arrives.
        if (/^[\d.(+*/-]$/.test(event.key) && !event.ctrlKey && !event.metaKey) flushSync(() => setEditing(true))
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
