import { useCallback, useEffect, useRef, useState } from 'react'
import type { Icon } from '@/core/set/set'
import { isModalOpen, typing } from '@/ui/commands'

export const NOBODY: ReadonlySet<string> = new Set()

/** Icons shown are selected: one by one, or with Shift all from the last one. Ctrl A takes all that are shown, Escape none. */
export function useSelection(shown: readonly Icon[]) {
  const [selected, setSelected] = useState<ReadonlySet<string>>(NOBODY)
  const last = useRef<string | null>(null)
  const select = useCallback(
    (id: string, isRange: boolean) => {
      const from = isRange ? shown.findIndex((icon) => icon.id === last.current) : -1,
        to = shown.findIndex((icon) => icon.id === id)
      last.current = id
      setSelected((before) => {
        const next = new Set(before)
        if (from >= 0) for (const icon of shown.slice(Math.min(from, to), Math.max(from, to) + 1)) next.add(icon.id)
        else if (!next.delete(id)) next.add(id)
        return next
      })
    },
    [shown],
  )
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isModalOpen() || typing(event)) return
      if (event.key === 'Escape') setSelected(NOBODY)
      if (event.key.toLowerCase() !== 'a' || !(event.ctrlKey || event.metaKey)) return
      event.preventDefault()
      setSelected(new Set(shown.map(({ id }) => id)))
    }
    document.addEventListener('keydown', onKey)
    return () => document.removeEventListener('keydown', onKey)
  }, [shown])
  return { selected, select, setSelected }
}
