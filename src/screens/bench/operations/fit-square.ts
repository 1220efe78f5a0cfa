import type { Bench } from '../state/bench'
import { RULER } from '../state/view'
import { fit, type View } from '../state/view'

/** The margin around the square, in pixels. */
const MARGIN = 8

/** The view in which the whole square is seen. */
function fitted(bench: Bench): View {
  const { stage, layers } = bench.store.getState()
  const { size } = bench.rules.grid
  const inset = layers.rulers ? RULER : 0,
    free = { w: stage.w - inset, h: stage.h - inset }
  const view = fit({ x: 0, y: 0, w: size, h: size }, free, MARGIN)
  return { ...view, x: view.x + inset, y: view.y + inset }
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
