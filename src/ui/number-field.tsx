'use client'

import clsx from 'clsx'
import { useRef, useState } from 'react'
import { beyond, type Limits } from './limits'
import { say } from './notice'
import { figure, sum } from './sum'

type NumberFieldProps = {
  readonly label: string
  /** The number shown; null shows `placeholder`, for values that differ. */
  readonly value: number | null
  readonly onChange: (value: number) => void
  /** Called when the editing ends: by Enter or Escape, or because the focus went elsewhere. */
  readonly onDone?: (by: 'key' | 'leaving') => void
  /** Goes to the next field, or to the one before; returns whether there is one. */
  readonly onTab?: (field: HTMLInputElement, back: boolean) => boolean
  readonly step?: number
  readonly limits?: Limits
  readonly placeholder?: string
  readonly className?: string
  readonly unit?: string
  readonly autoFocus?: boolean
}

/**
 * A number field that takes sums and steps with the arrow keys (Shift ×10, Alt ÷10). Escape restores the old number. A
 * number beyond its limits is refused with a sentence.
 */
export function NumberField({
  label,
  value,
  onChange,
  onDone,
  onTab,
  step = 1,
  limits,
  placeholder,
  className,
  unit,
  autoFocus,
}: NumberFieldProps) {
  const [draft, setDraft] = useState<string | null>(null)
  const [wrong, setWrong] = useState(false)
  const abandoned = useRef(false)
  const text = draft ?? (value === null ? '' : figure(value))

  const stays = value === null ? `${label} stays as it is.` : `${label} stays ${figure(value)}.`

  /** Takes the text, or reports it and restores the old number. Returns whether it was taken. */
  function accept(): boolean {
    if (draft === null || abandoned.current) return true
    setDraft(null)
    const isEmpty = draft.trim() === ''
    const next = isEmpty ? value : sum(draft, value)
    if (next === null && !isEmpty) say({ text: `“${draft.trim()}” is not a number or a sum. ${stays}`, tone: 'fault' })
    const isTaken = next === null ? isEmpty : passes(next)
    setWrong(!isTaken)
    if (isTaken && next !== null && next !== value) onChange(next)
    return isTaken
  }

  function passes(next: number): boolean {
    const problem = limits ? beyond(next, limits, label) : null
    if (problem) say({ text: problem, tone: 'fault' })
    return problem === null
  }

  function onKeyDown(event: React.KeyboardEvent<HTMLInputElement>): void {
    if (event.key === 'Enter') {
      const field = event.currentTarget
      // Without this, Enter would press the cell that gets the focus.
      if (onTab) event.preventDefault()
      if (accept()) onDone?.('key')
      // Selected, which lets the next text replace it.
      else requestAnimationFrame(() => field.select())
    } else if (event.key === 'Escape') {
      event.stopPropagation()
      abandoned.current = true
      setDraft(null)
      setWrong(false)
      event.currentTarget.blur()
      onDone?.('key')
    } else if (event.key === 'Tab' && onTab) {
      // A refused number stays in the field, to be mended.
      if (!accept()) event.currentTarget.select()
      else if (!onTab(event.currentTarget, event.shiftKey)) return
      event.preventDefault()
    } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
      const base = draft === null ? value : sum(draft, value)
      if (base === null) return
      event.preventDefault()
      const by = step * (event.shiftKey ? 10 : event.altKey ? 0.1 : 1) * (event.key === 'ArrowUp' ? 1 : -1)
      setDraft(null)
      const next = Number((base + by).toFixed(6))
      if (passes(next)) onChange(next)
    }
  }

  return (
    <input
      aria-label={label}
      aria-invalid={wrong || undefined}
      data-cell={onTab ? 'number' : undefined}
      title={wrong ? 'This is not a number or a sum, or it is out of range.' : undefined}
      autoFocus={autoFocus}
      className={clsx(
        'w-full min-w-0 rounded-sheet outline-offset-0',
        wrong && 'text-fault underline decoration-wavy',
        className,
      )}
      value={draft === null && unit && text !== '' ? `${text}${unit}` : text}
      placeholder={placeholder}
      inputMode="decimal"
      spellCheck={false}
      onFocus={(event) => {
        abandoned.current = false
        event.currentTarget.select()
      }}
      onChange={(event) => {
        setWrong(false)
        setDraft(event.target.value)
      }}
      onKeyDown={onKeyDown}
      onBlur={() => {
        accept()
        setDraft(null)
        setWrong(false)
        onDone?.('leaving')
      }}
    />
  )
}
