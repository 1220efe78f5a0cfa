'use client'

import { useState } from 'react'
import { say } from './notice'

/**
 * A text field: Enter or leaving takes the text, Escape restores the old one. An invalid text is reported and the old
 * one comes back.
 */
export function DraftField({
  label,
  value,
  title,
  placeholder,
  className,
  onAccept,
}: {
  label: string
  value: string
  title?: string
  placeholder?: string
  className?: string
  /** Gives a sentence where the text will not do. */
  onAccept: (text: string) => string | null | void
}) {
  const [draft, setDraft] = useState<string | null>(null)
  const accept = () => {
    setDraft(null)
    const problem = draft !== null && draft.trim() !== value ? onAccept(draft.trim()) : null
    if (problem) say({ text: problem, tone: 'fault' })
  }
  return (
    <input
      aria-label={label}
      title={title}
      placeholder={placeholder}
      spellCheck={false}
      value={draft ?? value}
      className={className}
      onFocus={(event) => event.currentTarget.select()}
      onChange={(event) => setDraft(event.target.value)}
      onBlur={accept}
      onKeyDown={(event) => {
        if (event.key === 'Enter') {
          const field = event.currentTarget
          accept()
          requestAnimationFrame(() => field.select())
        }
        if (event.key === 'Escape') setDraft(null)
      }}
    />
  )
}
