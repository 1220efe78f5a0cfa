import { type RefObject, useEffect, useMemo, useState } from 'react'
import { useCommandSet } from '@/ui/commands'

/** How many screen pixels show one pixel of an icon on the sheet: whole numbers, which keep every pixel a square. */
const ZOOMS = [1, 2, 3, 4, 6, 8] as const

/** How far the wheel turns for one step, in its own pixels: a notch of a mouse, or as much of a pinch. */
const NOTCH = 40

/** The zoom of the sheet: by Ctrl and the wheel over `area`, by the keys of the bench and by the command box. */
export function useZoom(area: RefObject<HTMLElement | null>): { zoom: number; reset: () => void } {
  const [at, setAt] = useState(0)
  const [{ reset, commands, step }] = useState(() => {
    const by = (steps: number) => setAt((now) => Math.max(0, Math.min(ZOOMS.length - 1, now + steps)))
    return {
      step: by,
      reset: () => setAt(0),
      commands: [
        { id: 'sheet-zoom-in', name: 'Zoom in', keys: ['$mod+Equal'], run: () => by(1) },
        { id: 'sheet-zoom-out', name: 'Zoom out', keys: ['$mod+Minus'], run: () => by(-1) },
        { id: 'sheet-zoom-real', name: 'Zoom to real size', keys: ['Alt+Digit0'], run: () => setAt(0) },
      ],
    }
  })
  useCommandSet('sheet-zoom', commands)
  useEffect(() => {
    const element = area.current
    if (!element) return
    let turned = 0
    // Listened to directly: only so can the browser be kept from zooming the page.
    const onWheel = (event: WheelEvent) => {
      if (!event.ctrlKey) return
      event.preventDefault()
      turned += event.deltaY
      if (Math.abs(turned) < NOTCH) return
      step(turned < 0 ? 1 : -1)
      turned = 0
    }
    element.addEventListener('wheel', onWheel, { passive: false })
    return () => element.removeEventListener('wheel', onWheel)
  }, [area, step])
  return useMemo(() => ({ zoom: ZOOMS[at]!, reset }), [at, reset])
}
