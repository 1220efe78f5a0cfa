import type { Command } from '@/ui/commands'
import type { Bench } from '../state/bench'
import { RULER } from '../state/view'
import type { BenchState } from '../state/store'
import { fit } from '../state/view'

/** The commands by which the square is seen otherwise. */
export function seeingCommands(bench: Bench): Command[] {
  const { store } = bench
  const way = (id: BenchState['seeing'], name: string, key: string): Command => ({
    id: `see-${id}`,
    name,
    keys: [key],
    run: () => store.setState(({ seeing }) => ({ seeing: seeing === id ? 'finish' : id })),
  })
  const also = (id: keyof BenchState['also'], name: string, key: string): Command => ({
    id: `see-${id}`,
    name,
    keys: [key],
    run: () => store.setState((state) => ({ also: { ...state.also, [id]: !state.also[id] } })),
  })
  return [
    way('outline', 'See the lines', 'KeyO'),
    way('tints', 'See tints', 'KeyK'),
    way('pixels', 'See the pixels', 'KeyP'),
    also('allNodes', 'See all nodes', 'KeyN'),
    also('dimOthers', 'Dim everything but the selection', 'KeyM'),
    also('darkSquare', 'Show the square on the other background', 'KeyB'),
    {
      id: 'show-references',
      name: 'Show or hide the references',
      keys: ['Shift+KeyP'],
      run: () => store.setState(({ layers }) => ({ layers: { ...layers, references: !layers.references } })),
    },
    {
      id: 'zoom-selection',
      name: 'Zoom to the selection',
      keys: ['Shift+Digit0'],
      needs: () => (bench.selected.length > 0 ? null : 'Select something to zoom to first.'),
      run: () => zoomToSelection(bench),
    },
    { id: 'zoom-real', name: 'Zoom to real size', keys: ['Alt+Digit0'], run: () => zoomReal(bench) },
  ]
}

function zoomToSelection(bench: Bench): void {
  const box = bench.extent(bench.selected)
  const { stage } = bench.store.getState()
  if (box) bench.store.setState({ view: fit(box, stage, 90) })
}

/** One grid unit to a pixel of the screen, about the middle of the square. */
function zoomReal(bench: Bench): void {
  const { stage } = bench.store.getState(),
    { size } = bench.rules.grid
  bench.store.setState({
    view: { scale: 1, x: Math.round((stage.w + RULER - size) / 2), y: Math.round((stage.h + RULER - size) / 2) },
  })
}
