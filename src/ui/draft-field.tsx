'use client'

import { useState } from 'react'

/**
 * A text that is typed and taken with Enter or on leaving; Escape gives back what was there. What will not do is the
 * caller's to leave out.
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
  onAccept: (text: string) => void
}) {
  const [draft, setDraft] = useState<string | null>(null)
  const accept = () => {
    if (draft !== null && draft.trim() !== value) onAccept(draft.trim())
    setDraft(null)
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
        if (event.key === 'Enter') accept()
        if (event.key === 'Escape') setDraft(null)
      }}
    />
  )
}
