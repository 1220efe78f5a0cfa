import type { Point } from '@/core/geometry/point'
import type { Bench } from '../state/bench'
import type { At, Drag, Tool } from '../tools/tool'
import { toolOf } from '../tools/tools'
import { toScreen } from '../state/view'

const ARROWS: Record<string, Point> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
}

/**
 * The pointer by keys, for a tool in hand while the pointer is not over the square: arrows move a place by a unit
 * (Shift by four, Alt by a step), Enter presses there and lets go again, Escape gives up. Of a typed size, the first
 * Enter and the second place it without a move. For a tool that works by clicks Enter is one; a second Enter without a
 * move is the tool's own.
 */
export class KeyPlace {
  private place: Point | null = null
  private drag: Drag | null = null
  private clicked: Point | null = null

  constructor(
    private readonly bench: Bench,
    private readonly tool: () => Tool,
  ) {}

  /** Whether the key was one of its own. */
  key(event: KeyboardEvent): boolean {
    const { bench } = this,
      { tool, view } = bench.store.getState()
    const { byKeys } = toolOf(tool)
    if (byKeys === 'never' || !view || event.ctrlKey || event.metaKey) {
      this.place = this.drag = this.clicked = null
      return false
    }
    const arrow = ARROWS[event.key]
    const { size, step } = bench.rules.grid
    if (arrow) {
      const by = event.shiftKey ? 4 : event.altKey ? step : 1,
        from = this.place ?? { x: size / 2, y: size / 2 }
      this.place = { x: from.x + arrow.x * by, y: from.y + arrow.y * by }
      this.show()
      return true
    }
    if (event.key === 'Escape' && this.drag) {
      this.drag.cancel()
      this.drag = null
      return true
    }
    if (event.key !== 'Enter') return false
    if (byKeys === 'clicks') return this.click()
    this.place ??= { x: size / 2, y: size / 2 }
    if (this.drag) {
      this.drag.release(this.at())
      this.drag = null
    } else {
      this.drag = this.tool().press(this.at())
      if (this.drag) this.drag.move(this.at())
    }
    return true
  }

  /** A click at the place; nothing without one, or where the last click was. */
  private click(): boolean {
    if (!this.place || this.place === this.clicked) {
      this.place = this.clicked = null
      return false
    }
    this.clicked = this.place
    this.tool().press(this.at())?.release(this.at())
    return true
  }

  private at(): At {
    const p = this.place!
    return { p, screen: toScreen(this.bench.store.getState().view!, p), shift: false, alt: false, free: false }
  }

  private show(): void {
    this.bench.store.setState({ pointer: this.place })
    if (this.drag) this.drag.move(this.at())
    else {
      this.tool().hover?.(this.at())
      this.bench.hold({ intent: { at: this.place!, word: 'Enter presses' } })
    }
  }
}
