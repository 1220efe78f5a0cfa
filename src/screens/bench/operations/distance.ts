import { Layers2, SquareDashed } from 'lucide-react'
import type { Command } from '@/ui/commands'
import type { Bench } from '../state/bench'
import { finishIn, gather } from './gather'

/** Insets, outsets and outlines of strokes. */
export function distanceCommands(bench: Bench): Command[] {
  const free = () => (bench.free.length > 0 ? null : 'Select an object first.')
  const away = (side: 'inside' | 'outside') => () =>
    void gather(bench, bench.free, side === 'inside' ? 'Inset' : 'Outset', {
      kind: 'inset',
      distance: bench.rules.weights[0]!.name,
      side,
      steps: 1,
      style: finishIn(bench, bench.free),
    })
  return [
    {
      id: 'inset',
      name: 'Inset',
      keys: ['KeyF'],
      inLine: { cluster: 'Combine', picture: SquareDashed },
      inMenu: [{ of: 'objects', part: 0, list: 'Turn into' }],
      needs: free,
      run: away('inside'),
    },
    {
      id: 'outset',
      name: 'Outset',
      keys: ['Shift+KeyF'],
      inMenu: [{ of: 'objects', part: 0, list: 'Turn into' }],
      needs: free,
      run: away('outside'),
    },
    {
      id: 'outlines',
      name: 'Outlines',
      keys: ['KeyH'],
      inLine: { cluster: 'Combine', picture: Layers2 },
      inMenu: [{ of: 'objects', part: 0, list: 'Turn into' }],
      needs: free,
      run: () => void gather(bench, bench.free, 'Outlines', { kind: 'outlined' }),
    },
  ]
}
