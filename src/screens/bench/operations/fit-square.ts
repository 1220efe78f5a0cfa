import type { Bench } from '../state/bench'
import { RULER } from '../state/view'
import { fit, type View } from '../state/view'

/** The width of the words at the right of the stage, kept free on both sides of the square. */
const WORDS = 80

/** The view in which the whole square is seen. */
function fitted(bench: Bench): View {
  const { stage, layers } = bench.store.getState()
  const { size } = bench.rules.grid
  const inset = layers.rulers ? RULER : 0,
    free = { w: stage.w - inset - 2 * WORDS, h: stage.h - inset }
  const view = fit({ x: 0, y: 0, w: size, h: size }, free, 20)
  return { ...view, x: view.x + inset + WORDS, y: view.y + inset }
}

/** Brings the whole square into view. */
export function fitSquare(bench: Bench): void {
  bench.store.setState({ view: fitted(bench) })
}

/** Whether the whole square is in view, unchanged since it was fitted. */
export function isFitted(bench: Bench): boolean {
  const { view } = bench.store.getState()
  if (!view) return true
  const { scale, x, y } = fitted(bench)
  return view.scale === scale && view.x === x && view.y === y
}
