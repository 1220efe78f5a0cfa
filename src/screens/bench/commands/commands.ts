import { flushSync } from 'react-dom'
import { type Command, grouped, type MenuPlace, runCommand } from '@/ui/commands'
import { keyName } from '@/ui/keys'
import type { MenuEntry } from '@/ui/menu'
import { arrangeCommands } from './arranging'
import { keylineCommands } from '../operations/keyline-of-selection'
import { masterCommands } from '../operations/masters'
import { snagCommands } from '../operations/snags'
import { sharedFinishCommands } from '../operations/shared-finishes'
import { combineCommands } from './combine'
import type { Bench } from '../state/bench'
import { duplicate, group, nudge, order, parentOf, remove, setFlag } from '../operations/objects'
import { fitSquare } from '../operations/fit-square'
import { benchGuides, setGuides } from '../operations/guides'
import { nodeCommands } from './nodes'
import { deleteNodes, inNodes, nodesNeed, nudgeNodes, selectNodes } from '../operations/nodes'
import { seeingCommands } from './seeing'
import { openedPart, PARTS } from '../operations/parts'
import { symmetryCommands } from '../operations/symmetry'
import { transformCommands } from './transforming'
import { pasteCopied, pasteNeeds } from '../operations/clipboard'
import { addIcon, duplicateIcon, NAMING } from '../operations/icons'
import { WORDS } from './words'
import { TOOLS } from '../tools/tools'
import { zoomAt } from '../state/view'
import { removalOf } from '../operations/work-in-hand'

const SELECT_FIRST = 'Select an object first.'

/** The part of the menu of objects that a command stands in, and the list in it. */
const inMenu = (part: number, list?: string): readonly MenuPlace[] => [{ of: 'objects', part, ...(list && { list }) }]

/** Every command of the bench, with the words that it is found by. */
export const benchCommands = (bench: Bench): Command[] =>
  listed(bench).map((command) => (WORDS[command.id] ? { ...command, words: WORDS[command.id]! } : command))

function listed(bench: Bench): Command[] {
  const selected = () => (bench.selected.length > 0 ? null : SELECT_FIRST)
  const free = () => selected() ?? (bench.free.length > 0 ? null : 'The selection is locked.')
  const open = () => (bench.icon ? null : 'Add an icon first: + icon, on the left.')
  const step = () => bench.rules.grid.step
  const nudges = [
    ['Left', -1, 0],
    ['Right', 1, 0],
    ['Up', 0, -1],
    ['Down', 0, 1],
  ] as const
  const toggle = (flag: 'hidden' | 'locked', objects = bench.selected) =>
    setFlag(bench, objects, flag, !objects.every((object) => object[flag]))

  return [
    ...TOOLS.map(({ id, name, cluster, key, under, picture, isSeldom = false, needs, begin }): Command => ({
      id,
      name,
      ...(cluster && { group: cluster }),
      ...(cluster && !under && { inLine: { cluster, picture, isSeldom } }),
      ...(key && { keys: [key] }),
      needs: () => open() ?? needs?.(bench) ?? null,
      run() {
        bench.keepBuilding()
        begin?.(bench)
        bench.take(id)
      },
    })),
    {
      id: 'new-icon',
      name: 'New icon',
      run: () => addIcon(bench),
    },
    {
      id: 'rename-icon',
      name: 'Rename icon',
      needs: open,
      run: () => bench.put(NAMING, { open: true }),
    },
    {
      id: 'duplicate-icon',
      name: 'Duplicate icon',
      needs: open,
      run: () => bench.icon && duplicateIcon(bench, bench.icon),
    },
    ...(['cut', 'copy'] as const).map((act): Command => ({
      id: act,
      name: act === 'cut' ? 'Cut' : 'Copy',
      needs: selected,
      // Once the box is closed the page has the keyboard.
      run: () => void setTimeout(() => document.execCommand(act), 100),
    })),
    {
      id: 'paste',
      name: 'Paste',
      needs: () => open() ?? pasteNeeds(),
      run: () => pasteCopied(bench),
    },
    ...grouped('Combine', combineCommands(bench)),
    ...grouped('Objects', [
      { id: 'group', name: 'Group', inMenu: inMenu(0), keys: ['$mod+KeyG'], needs: free, run: () => group(bench) },
      {
        id: 'duplicate',
        name: 'Duplicate',
        inMenu: inMenu(2),
        keys: ['$mod+KeyD'],
        needs: selected,
        run: () => duplicate(bench),
      },
      {
        id: 'select-all',
        name: 'Select all',
        keys: ['$mod+KeyA'],
        needs: open,
        run: () =>
          inNodes(bench)
            ? selectNodes(bench, 'all')
            : bench.select(bench.reachable.filter(({ hidden, locked }) => !hidden && !locked).map(({ id }) => id)),
      },
      {
        id: 'front',
        name: 'Bring to the front',
        keys: ['$mod+Shift+BracketRight'],
        inMenu: inMenu(1, 'Order'),
        needs: free,
        run: () => order(bench, 'front'),
      },
      {
        id: 'forward',
        name: 'Bring forward',
        keys: ['$mod+BracketRight'],
        inMenu: inMenu(1, 'Order'),
        needs: free,
        run: () => order(bench, 'forward'),
      },
      {
        id: 'backward',
        name: 'Bring backward',
        keys: ['$mod+BracketLeft'],
        inMenu: inMenu(1, 'Order'),
        needs: free,
        run: () => order(bench, 'backward'),
      },
      {
        id: 'back',
        name: 'Bring to the back',
        keys: ['$mod+Shift+BracketLeft'],
        inMenu: inMenu(1, 'Order'),
        needs: free,
        run: () => order(bench, 'back'),
      },
      {
        id: 'lock',
        name: 'Lock or unlock',
        inMenu: inMenu(2),
        keys: ['$mod+KeyL'],
        needs: selected,
        run: () => toggle('locked'),
      },
      {
        id: 'hide',
        name: 'Hide or show',
        inMenu: inMenu(2),
        keys: ['$mod+KeyH'],
        needs: selected,
        run: () => toggle('hidden'),
      },
      {
        id: 'delete',
        name: 'Delete',
        keys: ['Delete', 'Backspace'],
        inMenu: [...inMenu(2), { of: 'nodes', part: 3 }],
        needs: () => (removalOf(bench) ? null : inNodes(bench) ? nodesNeed(bench) : free()),
        run: () => (removalOf(bench) ?? (inNodes(bench) ? deleteNodes : remove))(bench),
      },
      ...nudges.flatMap(([name, x, y]) => {
        const by = (keys: string, k: number, words: string): Command => ({
          id: `nudge-${name}-${k}`,
          name: `Nudge ${name.toLowerCase()}${words}`,
          keys: [keys],
          needs: () => (inNodes(bench) ? nodesNeed(bench) : free()),
          run: () => (inNodes(bench) ? nudgeNodes : nudge)(bench, { x: x * k * step(), y: y * k * step() }),
        })
        return [
          by(`Arrow${name}`, 1, ''),
          by(`Shift+Arrow${name}`, 10, ' by ten steps'),
          by(`Alt+Arrow${name}`, 0.1, ' by a tenth'),
        ]
      }),
      ...transformCommands(bench),
      ...symmetryCommands(bench),
      ...arrangeCommands(bench),
      ...sharedFinishCommands(bench),
      ...snagCommands(bench),
      ...masterCommands(bench),
      ...keylineCommands(bench),
    ]),
    ...grouped('Nodes', nodeCommands(bench)),
    ...grouped('Seeing', seeingCommands(bench)),
    {
      id: 'clear-guides',
      name: 'Clear the guides',
      needs: () => (benchGuides(bench).length > 0 ? null : 'There is no guide. Drag one out of a ruler.'),
      run: () => setGuides(bench, [], 'Clear the guides'),
    },
    {
      id: 'go-to-ledger',
      name: 'Go to the ledger',
      keys: ['Alt+KeyL'],
      needs: open,
      run() {
        // The ledger takes the very next key.
        flushSync(() => bench.store.setState({ panel: 'objects' }))
        document.querySelector<HTMLElement>('[role=treegrid]')?.focus()
      },
    },
    { id: 'step-out', name: 'Step out', keys: ['Escape'], run: () => stepOut(bench) },
    ...grouped('Seeing', [
      { id: 'fit', name: 'Fit the square', keys: ['Digit0'], run: () => fitSquare(bench) },
      { id: 'zoom-in', name: 'Zoom in', keys: ['$mod+Equal'], run: () => zoom(bench, 1.25) },
      { id: 'zoom-out', name: 'Zoom out', keys: ['$mod+Minus'], run: () => zoom(bench, 0.8) },
    ]),
    ...(['grid', 'keylines', 'liveArea', 'guides', 'rulers'] as const).map((layer): Command => ({
      id: `show-${layer}`,
      name: `Show or hide ${layer === 'liveArea' ? 'live area' : layer}`,
      run: () => bench.store.setState(({ layers }) => ({ layers: { ...layers, [layer]: !layers[layer] } })),
    })),
  ]
}

/** One level out: the tool, then the selection, then the container stepped into. */
function stepOut(bench: Bench): void {
  const { tool, selection, scope, nodes } = bench.store.getState()
  if (tool === 'nodes' && nodes.size > 0) bench.store.setState({ nodes: new Set() })
  else if (tool !== 'select') bench.take('select')
  else if (scope !== null) {
    const opened = openedPart(bench)
    if (opened?.id === scope) return bench.put(PARTS, { asking: { putBack: scope } })
    bench.store.setState({ scope: parentOf(bench, scope), selection: new Set([scope]) })
  } else if (selection.size > 0) bench.select([])
}

function zoom(bench: Bench, factor: number): void {
  const { view, stage } = bench.store.getState()
  if (view)
    bench.store.setState({ view: zoomAt(view, { x: stage.w / 2, y: stage.h / 2 }, factor, bench.rules.grid.size) })
}

/** The commands of the right button, in parts with a rule between; those that cannot run say so when chosen. */
export function benchMenu(bench: Bench): MenuEntry[] {
  const menu = inNodes(bench) ? 'nodes' : 'objects'
  const placed = benchCommands(bench).flatMap((command) => {
    const place = command.inMenu?.find(({ of }) => of === menu)
    return place ? [{ command, ...place }] : []
  })
  const parts = [...new Set(placed.map(({ part }) => part))].sort()
  return parts.flatMap((part, i) => {
    const here = placed.filter((one) => one.part === part)
    const lists = new Set(here.map(({ list }) => list))
    const entries = [...lists].flatMap((list): MenuEntry[] => {
      const some = here.filter((one) => one.list === list).map(({ command }) => entryOf(command))
      return list === undefined ? some : [{ label: list, list: some }]
    })
    return i === 0 ? entries : [null, ...entries]
  })
}

const entryOf = (command: Command) => ({
  label: command.name,
  hint: command.keys?.[0] && keyName(command.keys[0]),
  run: () => runCommand(command),
})
