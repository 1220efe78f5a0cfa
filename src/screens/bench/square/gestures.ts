'use client'

import { type RefObject, useEffect, useRef } from 'react'
import type { Bench } from '../state/bench'
import { freshGuide } from '../operations/guides'
import { dragGuide } from '../tools/guide-drag'
import { KeyPlace } from './key-place'
import { RULER } from '../state/view'
import type { At, Drag, Tools } from '../tools/tool'
import { holdsTypedKeys } from '@/ui/cell-keys'
import { isModalOpen, typing } from '@/ui/commands'
import { keyboardNow } from '@/ui/keys'
import { Fingers } from './two-fingers'
import { toGrid, zoomAt } from '../state/view'

/** The keys that are held while the pointer is used. */
const held = { space: false, free: false, control: false }

/** By how much the wheel zooms, and a pinch on a trackpad, which the browser gives out as small turns of the wheel. */
const WHEEL = 0.0025,
  PINCH = 0.012

/**
 * The one place where the pointer's events become presses, drags and hovers of the tool in hand, and pans and zooms.
 */
export function useGestures(bench: Bench, tools: Tools, stage: RefObject<HTMLElement | null>): void {
  const drag = useRef<{ drag: Drag; pointer: number; last: At } | null>(null)
  useEffect(() => {
    const element = stage.current!
    const { store, session } = bench
    const hold = (dragging: boolean) => {
      store.setState({ dragging })
      session.setState({ isHeld: dragging })
    }
    const tool = () => tools[store.getState().tool]!
    const keys = new KeyPlace(bench, tool)
    const fingers = new Fingers()
    let penIsDown = false

    const atOf = (event: { clientX: number; clientY: number; shiftKey: boolean; altKey: boolean }): At => {
      const { left, top } = element.getBoundingClientRect()
      const screen = { x: event.clientX - left, y: event.clientY - top }
      return {
        screen,
        p: toGrid(store.getState().view!, screen),
        shift: event.shiftKey,
        alt: event.altKey,
        free: held.free,
      }
    }

    const onDown = (event: PointerEvent) => {
      const at = atOf(event)
      if (event.pointerType === 'pen') penIsDown = true
      if (event.pointerType === 'touch') {
        // The hand that holds a pen rests on the sheet.
        if (penIsDown) return
        if (fingers.press(event.pointerId, at.screen, store.getState().view!)) onCancel()
        if (fingers.busy) return
      }
      // At a Mac, ⌃ with a click is the right button.
      if (event.ctrlKey && keyboardNow().mac) return
      if (drag.current) return
      if (event.button === 1 || (event.button === 0 && held.space)) {
        element.setPointerCapture(event.pointerId)
        drag.current = { drag: pan(bench, at), pointer: event.pointerId, last: at }
        event.preventDefault()
        return
      }
      if (event.button !== 0 || !bench.icon) return
      store.setState({ hinted: null })
      ;(document.activeElement as HTMLElement | null)?.blur()
      const begun = guideFromRuler(bench, at) ?? tool().press(at)
      if (!begun) return
      element.setPointerCapture(event.pointerId)
      drag.current = { drag: begun, pointer: event.pointerId, last: at }
      hold(true)
    }
    const onMove = (event: PointerEvent) => {
      if (!store.getState().view) return
      const at = atOf(event)
      if (event.pointerType === 'touch') {
        const view = fingers.move(event.pointerId, at.screen, bench.rules.grid.size)
        if (view) store.setState({ view })
        if (view || fingers.busy || penIsDown) return
      }
      store.setState({ pointer: at.p })
      if (drag.current) {
        drag.current.last = at
        const since = event.getCoalescedEvents?.() ?? []
        drag.current.drag.move(since.length > 1 ? { ...at, since: since.map((one) => atOf(one).p) } : at)
      } else if (!held.space && bench.icon) tool().hover?.(at)
    }
    const onUp = (event: PointerEvent) => {
      lifted(event)
      if (drag.current?.pointer !== event.pointerId) return
      const { drag: ended } = drag.current
      drag.current = null
      store.setState({ dragging: false })
      ended.release(atOf(event))
      hold(false)
    }
    const lifted = (event: PointerEvent) => {
      if (event.pointerType === 'pen') penIsDown = false
      else if (event.pointerType === 'touch') fingers.lift(event.pointerId)
    }
    const onCancel = (event?: PointerEvent) => {
      if (event) lifted(event)
      drag.current?.drag.cancel()
      drag.current = null
      hold(false)
    }
    const onLeave = () => store.setState({ pointer: null, hover: null })
    const onTwice = (event: MouseEvent) => {
      if (bench.icon && event.button === 0) tool().twice?.(atOf(event))
    }
    const onWheel = (event: WheelEvent) => {
      event.preventDefault()
      const { view } = store.getState()
      if (!view) return
      if (event.ctrlKey || event.metaKey) {
        store.setState({
          view: zoomAt(
            view,
            atOf(event).screen,
            Math.exp(-event.deltaY * (held.control || event.metaKey ? WHEEL : PINCH)),
            bench.rules.grid.size,
          ),
        })
      } else {
        const across = event.shiftKey && event.deltaX === 0
        store.setState({
          view: {
            ...view,
            x: view.x - (across ? event.deltaY : event.deltaX),
            y: view.y - (across ? 0 : event.deltaY),
          },
        })
      }
    }
    const onKey = (event: KeyboardEvent) => {
      const down = event.type === 'keydown'
      if (down && (isModalOpen() || typing(event) || holdsTypedKeys(event))) return
      if (event.code === 'Space') {
        if (down && (event.target as HTMLElement).closest('button, a, [role=row]') && !element.matches(':hover')) return
        held.space = down
        element.style.cursor = down ? 'grab' : ''
        event.preventDefault()
      }
      if (event.key === 'Control') held.control = down
      if (event.code === 'KeyX' && !event.ctrlKey && !event.metaKey) held.free = down
      if (event.code === 'Backquote') store.setState({ showKeys: down })
      if (event.code === 'KeyV' && !event.ctrlKey && !event.metaKey && !event.altKey && !(down && event.shiftKey))
        store.setState({ bare: down })
      if (!down) {
        tool().key?.(event.key, false)
        return
      }
      if (
        !drag.current &&
        !element.matches(':hover') &&
        bench.icon &&
        !(event.target as HTMLElement).closest('button, a, [role=row]') &&
        keys.key(event)
      ) {
        event.preventDefault()
        return
      }
      if (event.key === 'Escape' && drag.current) {
        onCancel()
        event.preventDefault()
      } else if (tool().key?.(event.key)) event.preventDefault()
      else if (drag.current && (event.key === 'Shift' || event.key === 'Alt' || event.code === 'KeyX')) {
        drag.current.drag.move({ ...drag.current.last, shift: event.shiftKey, alt: event.altKey, free: held.free })
      }
    }
    const onBlur = () => {
      held.space = held.free = held.control = false
      store.setState({ showKeys: false, bare: false })
    }

    element.addEventListener('pointerdown', onDown)
    element.addEventListener('pointermove', onMove)
    element.addEventListener('pointerup', onUp)
    element.addEventListener('pointercancel', onCancel)
    element.addEventListener('pointerleave', onLeave)
    element.addEventListener('dblclick', onTwice)
    element.addEventListener('wheel', onWheel, { passive: false })
    // Before the shortcuts, so that a drag or a tool in hand has first use of a key.
    window.addEventListener('keydown', onKey, true)
    window.addEventListener('keyup', onKey, true)
    window.addEventListener('blur', onBlur)
    return () => {
      onCancel()
      element.removeEventListener('pointerdown', onDown)
      element.removeEventListener('pointermove', onMove)
      element.removeEventListener('pointerup', onUp)
      element.removeEventListener('pointercancel', onCancel)
      element.removeEventListener('pointerleave', onLeave)
      element.removeEventListener('dblclick', onTwice)
      element.removeEventListener('wheel', onWheel)
      window.removeEventListener('keydown', onKey, true)
      window.removeEventListener('keyup', onKey, true)
      window.removeEventListener('blur', onBlur)
    }
  }, [bench, tools, stage])
}

/** A press on a ruler begins a guide. */
function guideFromRuler(bench: Bench, at: At): Drag | null {
  const { layers } = bench.store.getState()
  const onTop = at.screen.y < RULER,
    onLeft = at.screen.x < RULER
  if (!layers.rulers || onTop === onLeft) return null
  if (!layers.guides) bench.store.setState({ layers: { ...layers, guides: true } })
  return dragGuide(bench, freshGuide(at.p, onTop ? 0 : 90), true, RULER)
}

function pan(bench: Bench, start: At): Drag {
  const from = bench.store.getState().view!
  return {
    move: ({ screen }) =>
      bench.store.setState({
        view: { ...from, x: from.x + screen.x - start.screen.x, y: from.y + screen.y - start.screen.y },
      }),
    release: () => undefined,
    cancel: () => bench.store.setState({ view: from }),
  }
}
