import type { Command } from '@/ui/commands'
import type { Bench } from '../state/bench'
import { openedPart, openPlacement, PARTS } from '../operations/parts'

export const partCommands = (bench: Bench): Command[] => [
  {
    id: 'save-part',
    name: 'Save as a part…',
    keys: ['Shift+Digit9'],
    inMenu: [{ of: 'objects', part: 0, list: 'Parts' }],
    needs: () => (bench.free.length > 0 ? null : 'Select the objects of the part first.'),
    run: () => bench.put(PARTS, { asking: 'name' }),
  },
  {
    id: 'open-part',
    name: 'Edit the part in its place',
    keys: ['Alt+Digit9'],
    inMenu: [{ of: 'objects', part: 0, list: 'Parts' }],
    needs: () => (bench.one('placement') ? null : 'Select one placement of a part first.'),
    run: () => openPlacement(bench, bench.one('placement')!),
  },
  {
    id: 'put-part-back',
    name: 'Put the opened part back…',
    keys: ['Alt+Shift+Digit9'],
    inMenu: [{ of: 'objects', part: 0, list: 'Parts' }],
    needs: () => (openedPart(bench) ? null : 'Open a placement of a part first: double click it.'),
    run: () => bench.put(PARTS, { asking: { putBack: openedPart(bench)!.id } }),
  },
  {
    id: 'show-parts',
    name: 'Show the parts of the set',
    run: () => bench.store.setState({ panel: 'parts' }),
  },
]
