import type { Bench } from './bench'
import { RULER } from './layers/rulers'
import { fit } from './view'

/** Brings the whole square into view. */
export function fitSquare(bench: Bench): void {
  const { stage, layers } = bench.store.getState()
  const { size } = bench.rules.grid
  const inset = layers.rulers ? RULER : 0
  const view = fit({ x: 0, y: 0, w: size, h: size }, { w: stage.w - inset, h: stage.h - inset }, 20)
  bench.store.setState({ view: { ...view, x: view.x + inset, y: view.y + inset } })
}
