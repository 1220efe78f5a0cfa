import type { Command } from '@/ui/commands'
import type { Bench } from '../state/bench'
import { editedPath } from '../operations/node-selection'
import {
  alignNodes,
  fitEnd,
  gatherStrokes,
  insertBetween,
  markReference,
  joinNodes,
  nodesNeed,
  openHere,
  reversePath,
  selectNodes,
  setNodeKind,
  simplifyPaths,
  spaceNodes,
  straightenSegments,
} from '../operations/nodes'

/** Commands on the nodes of a path, and those that make plain paths. */
export function nodeCommands(bench: Bench): Command[] {
  const nodes = () => nodesNeed(bench)
  const path = () => (editedPath(bench) ? null : 'Select one path first.')
  const several = () =>
    nodes() ??
    (bench.store.getState().nodes.size > 1
      ? null
      : 'Select two or more nodes; the others come to the one that is marked, or was selected last.')
  return [
    {
      id: 'node-corner',
      inMenu: [{ of: 'nodes', part: 0 }],
      name: 'Nodes: corner',
      keys: ['Shift+KeyC'],
      needs: nodes,
      run: () => setNodeKind(bench, 'corner'),
    },
    {
      id: 'node-smooth',
      inMenu: [{ of: 'nodes', part: 0 }],
      name: 'Nodes: smooth',
      keys: ['Shift+KeyS'],
      needs: nodes,
      run: () => setNodeKind(bench, 'smooth'),
    },
    {
      id: 'node-symmetric',
      inMenu: [{ of: 'nodes', part: 0 }],
      name: 'Nodes: symmetric',
      keys: ['Shift+KeyM'],
      needs: nodes,
      run: () => setNodeKind(bench, 'symmetric'),
    },
    {
      id: 'node-insert',
      inMenu: [{ of: 'nodes', part: 1 }],
      name: 'Nodes: insert between the selected',
      keys: ['Insert', 'Shift+KeyI'],
      needs: nodes,
      run: () => insertBetween(bench),
    },
    {
      id: 'node-straight',
      inMenu: [{ of: 'nodes', part: 1 }],
      name: 'Nodes: make segments straight',
      keys: ['Shift+KeyL'],
      needs: nodes,
      run: () => straightenSegments(bench),
    },
    {
      id: 'node-join',
      inMenu: [{ of: 'nodes', part: 1 }],
      name: 'Nodes: join ends or close',
      keys: ['$mod+KeyJ'],
      needs: nodes,
      run: () => joinNodes(bench),
    },
    {
      id: 'node-open',
      inMenu: [{ of: 'nodes', part: 1 }],
      name: 'Nodes: open here',
      keys: ['$mod+Shift+KeyJ'],
      needs: nodes,
      run: () => openHere(bench),
    },
    {
      id: 'node-others',
      inMenu: [{ of: 'nodes', part: 2 }],
      name: 'Nodes: select the others',
      keys: ['$mod+Shift+KeyA'],
      needs: path,
      run: () => selectNodes(bench, 'others'),
    },
    {
      id: 'node-alike',
      inMenu: [{ of: 'nodes', part: 2 }],
      name: 'Nodes: select the same kind',
      needs: nodes,
      run: () => selectNodes(bench, 'alike'),
    },
    { id: 'node-between', name: 'Nodes: select all between', needs: nodes, run: () => selectNodes(bench, 'between') },
    {
      id: 'node-align-x',
      name: 'Nodes: align on a plumb line',
      keys: ['Shift+KeyV'],
      needs: several,
      run: () => alignNodes(bench, 'x'),
    },
    {
      id: 'node-align-y',
      name: 'Nodes: align on a level line',
      keys: ['Shift+KeyH'],
      needs: several,
      run: () => alignNodes(bench, 'y'),
    },
    {
      id: 'node-space-x',
      name: 'Nodes: space evenly across',
      keys: ['Shift+KeyE'],
      needs: several,
      run: () => spaceNodes(bench, 'x'),
    },
    {
      id: 'node-space-y',
      name: 'Nodes: space evenly down',
      keys: ['Shift+KeyY'],
      needs: several,
      run: () => spaceNodes(bench, 'y'),
    },
    {
      id: 'node-reference',
      name: 'Nodes: mark as the reference',
      keys: ['Shift+KeyQ'],
      needs: nodes,
      run: () => markReference(bench),
    },
    {
      id: 'node-extend',
      name: 'Nodes: extend the end to an edge',
      keys: ['Shift+KeyX'],
      needs: nodes,
      run: () => fitEnd(bench, 'extend'),
    },
    {
      id: 'node-shorten',
      name: 'Nodes: shorten the end to an edge',
      keys: ['Shift+KeyZ'],
      needs: nodes,
      run: () => fitEnd(bench, 'shorten'),
    },
    {
      id: 'strokes-one',
      name: 'Put strokes into one path',
      keys: ['Shift+KeyJ'],
      needs: () =>
        bench.free.length > 1 && bench.free.every((object) => object.kind === 'path' || object.kind === 'line')
          ? null
          : 'Select two or more paths or lines first.',
      run: () => gatherStrokes(bench),
    },
    { id: 'reverse', name: 'Reverse the path', needs: path, run: () => reversePath(bench) },
    {
      id: 'simplify',
      name: 'Simplify: remove needless nodes',
      needs: () => (bench.free.some(({ kind }) => kind === 'path') ? null : 'Select a path first.'),
      run: () => simplifyPaths(bench),
    },
  ]
}
