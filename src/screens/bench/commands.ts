import { type Command, grouped, keyName, runCommand } from '@/ui/commands'
import type { MenuEntry } from '@/ui/menu'
import { isContainer } from '@/core/drawing/object'
import { arrangeCommands } from './arrange/arrange-commands'
import type { Bench } from './bench'
import {
  assemble,
  assemblyNeeds,
  duplicate,
  group,
  loosen,
  nudge,
  order,
  parentOf,
  remove,
  setFlag,
} from './operations'
import { fitSquare } from './fit-square'
import { benchGuides, setGuides } from './guides'
import { nodeCommands } from './node-commands'
import { deleteNodes, inNodes, nodesNeed, nudgeNodes, selectNodes } from './node-operations'
import { seeingCommands } from './seeing-commands'
import { symmetryCommands } from './symmetry'
import { transformCommands } from './transform-commands'
import type { ToolId } from './store'
import { zoomAt } from './view'

const SELECT_FIRST = 'Select an object first.'

/** What the tools are called, and the keys that take them, in their three clusters. */
export const TOOLS: readonly {
  readonly cluster: string
  readonly tools: readonly {
    readonly id: ToolId
    readonly name: string
    readonly key: string
    /** The tool whose settings lead to it. */ readonly under?: ToolId
  }[]
}[] = [
  {
    cluster: 'Lay',
    tools: [
      { id: 'rectangle', name: 'Rectangle', key: 'Digit1' },
      { id: 'ellipse', name: 'Ellipse', key: 'Digit2' },
      { id: 'polygon', name: 'Polygon', key: 'Digit3' },
      { id: 'star', name: 'Star', key: 'Digit4' },
      { id: 'line', name: 'Line', key: 'Digit5' },
      { id: 'pen', name: 'Pen', key: 'Digit6' },
      { id: 'freehand', name: 'Freehand', key: 'Digit7' },
      { id: 'text', name: 'Text', key: 'Digit8' },
      { id: 'arrow', name: 'Arrow', key: 'Shift+Digit3', under: 'polygon' },
      { id: 'spiral', name: 'Spiral', key: 'Shift+Digit4', under: 'polygon' },
    ],
  },
  {
    cluster: 'Shape',
    tools: [
      { id: 'select', name: 'Select', key: 'KeyQ' },
      { id: 'nodes', name: 'Nodes', key: 'KeyW' },
      { id: 'corner', name: 'Corner', key: 'KeyE' },
      { id: 'turn', name: 'Turn', key: 'KeyR' },
      { id: 'mirror', name: 'Mirror', key: 'KeyT' },
      { id: 'measure', name: 'Measure', key: 'KeyU' },
      { id: 'sample', name: 'Sample', key: 'KeyI' },
    ],
  },
]

/** Every command of the bench. */
export function benchCommands(bench: Bench): Command[] {
  const selected = () => (bench.selected.length > 0 ? null : SELECT_FIRST)
  const free = () => selected() ?? (bench.free.length > 0 ? null : 'What is selected is locked.')
  const open = () => (bench.icon ? null : 'Make an icon first: + icon, on the left.')
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
    ...TOOLS.flatMap(({ cluster, tools }) =>
      tools.map(({ id, name, key }): Command => ({
        id,
        name,
        group: cluster,
        keys: [key],
        needs: open,
        run: () => bench.take(id),
      })),
    ),
    ...grouped('Objects', [
      {
        id: 'assemble',
        name: 'Assemble',
        keys: ['KeyA'],
        needs: () => selected() ?? assemblyNeeds(bench),
        run: () => assemble(bench, 'adds'),
      },
      {
        id: 'assemble-cut',
        name: 'Assemble: the upper cuts the lowest',
        keys: ['Shift+KeyA'],
        needs: () => selected() ?? assemblyNeeds(bench),
        run: () => assemble(bench, 'cuts'),
      },
      { id: 'group', name: 'Group', keys: ['$mod+KeyG'], needs: free, run: () => group(bench) },
      {
        id: 'loosen',
        name: 'Loosen a group or an assembly',
        keys: ['$mod+Shift+KeyG'],
        needs: () => (bench.free.some(isContainer) ? null : 'Select a group or an assembly first.'),
        run: () => loosen(bench),
      },
      { id: 'duplicate', name: 'Duplicate', keys: ['$mod+KeyD'], needs: selected, run: () => duplicate(bench) },
      {
        id: 'delete',
        name: 'Delete',
        keys: ['Delete', 'Backspace'],
        needs: () => (inNodes(bench) ? nodesNeed(bench) : free()),
        run: () => (inNodes(bench) ? deleteNodes(bench) : remove(bench)),
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
        needs: free,
        run: () => order(bench, 'front'),
      },
      {
        id: 'forward',
        name: 'Bring forward',
        keys: ['$mod+BracketRight'],
        needs: free,
        run: () => order(bench, 'forward'),
      },
      {
        id: 'backward',
        name: 'Bring backward',
        keys: ['$mod+BracketLeft'],
        needs: free,
        run: () => order(bench, 'backward'),
      },
      {
        id: 'back',
        name: 'Bring to the back',
        keys: ['$mod+Shift+BracketLeft'],
        needs: free,
        run: () => order(bench, 'back'),
      },
      { id: 'lock', name: 'Lock or unlock', keys: ['$mod+KeyL'], needs: selected, run: () => toggle('locked') },
      { id: 'hide', name: 'Hide or show', keys: ['$mod+KeyH'], needs: selected, run: () => toggle('hidden') },
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
    ]),
    ...grouped('Nodes', nodeCommands(bench)),
    ...grouped('Seeing', seeingCommands(bench)),
    {
      id: 'clear-guides',
      name: 'Clear the guides',
      needs: () => (benchGuides(bench).length > 0 ? null : 'There is no guide. Drag one out of a ruler.'),
      run: () => setGuides(bench, [], 'Clear the guides'),
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
    bench.store.setState({ scope: parentOf(bench, scope), selection: new Set([scope]) })
  } else if (selection.size > 0) bench.select([])
}

function zoom(bench: Bench, factor: number): void {
  const { view, stage } = bench.store.getState()
  if (view)
    bench.store.setState({ view: zoomAt(view, { x: stage.w / 2, y: stage.h / 2 }, factor, bench.rules.grid.size) })
}

/** What the right button offers: commands by name, `null` for a rule between groups, and groups that open beside their word. */
type Offered = readonly (string | null | { readonly label: string; readonly ids: readonly string[] })[]

const OBJECT_MENU: Offered = [
  'assemble',
  'assemble-cut',
  'group',
  'loosen',
  'fix',
  null,
  { label: 'Flip and mirror', ids: ['flip-x', 'flip-y', 'mirror-live', 'make-symmetric'] },
  { label: 'Mask', ids: ['mask-inside', 'mask-outside'] },
  { label: 'Finish', ids: ['copy-finish', 'paste-finish', 'alike-stroke', 'alike-fill'] },
  { label: 'Order', ids: ['front', 'forward', 'backward', 'back'] },
  null,
  'duplicate',
  'lock',
  'hide',
  'delete',
]

const NODE_MENU: Offered = [
  'node-corner',
  'node-smooth',
  'node-symmetric',
  null,
  'node-insert',
  'node-straight',
  'node-join',
  'node-open',
  null,
  'node-others',
  'node-alike',
  null,
  'delete',
]

/** The commands of the right button; those that cannot run say so when chosen. */
export function benchMenu(bench: Bench): MenuEntry[] {
  const commands = new Map(benchCommands(bench).map((command) => [command.id, command]))
  const entry = (id: string): MenuEntry => {
    const command = commands.get(id)!
    return { label: command.name, hint: command.keys?.[0] && keyName(command.keys[0]), run: () => runCommand(command) }
  }
  return (inNodes(bench) ? NODE_MENU : OBJECT_MENU).map((one) =>
    one === null || typeof one === 'string' ? one && entry(one) : { label: one.label, list: one.ids.map(entry) },
  )
}
