'use client'

import type { DrawingObject } from '@/core/drawing/objects/object'
import { useOpenSnags } from '../operations/use-open-snags'

/** A mark on an object's row that lists its snags. */
export function RowSnags({ object }: { object: DrawingObject }) {
  const snags = useOpenSnags()?.filter(({ objects }) => objects.includes(object.id)) ?? []
  if (snags.length === 0) return null
  const worst = snags.some(({ severity }) => severity === 'error')
  return (
    <span
      role="img"
      aria-label={`${object.name} has ${snags.length === 1 ? 'a snag' : `${snags.length} snags`}`}
      title={snags.map(({ sentence }) => sentence).join('\n')}
      className={worst ? 'mr-1 flex-none text-fault' : 'mr-1 flex-none text-snag'}
    >
      {snags.every(({ severity }) => severity === 'note') ? '·' : '◇'}
    </span>
  )
}
