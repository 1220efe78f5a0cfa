'use client'

import { useState } from 'react'
import type { DrawingObject } from '@/core/drawing/objects/object'

/** The object's name; a double click edits it. */
export function NameCell({
  object,
  readOnly,
  onName,
}: {
  object: DrawingObject
  readOnly: boolean
  onName: (name: string) => void
}) {
  const [editing, setEditing] = useState(false)
  if (!editing || readOnly) {
    return (
      <span
        data-name
        className="max-w-[calc(100%-16px)] flex-none truncate"
        title={`${object.name} · double click to rename`}
        onDoubleClick={() => setEditing(true)}
      >
        {object.name}
      </span>
    )
  }
  const accept = (text: string) => {
    setEditing(false)
    const name = text.trim().slice(0, 80)
    if (name !== '' && name !== object.name) onName(name)
  }
  return (
    <input
      aria-label={`Name of ${object.name}`}
      autoFocus
      defaultValue={object.name}
      onFocus={(event) => event.currentTarget.select()}
      onPointerDown={(event) => event.stopPropagation()}
      onBlur={(event) => accept(event.currentTarget.value)}
      onKeyDown={(event) => {
        if (event.key === 'Enter') accept(event.currentTarget.value)
        if (event.key === 'Escape') setEditing(false)
      }}
      className="h-5 min-w-0 flex-1 border border-hand bg-sheet px-1 outline-none"
    />
  )
}
