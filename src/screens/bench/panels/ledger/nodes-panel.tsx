'use client'

import type { Panel } from './panel'
import { sceneOf } from '@/core/drawing/evaluate/evaluated-scene'
import clsx from 'clsx'
import { nodeKindOf, type NodeAt, type NodeKind } from '@/core/drawing/edit/node-edit'
import { editable } from '@/core/drawing/edit/editable'
import type { Node } from '@/core/drawing/model/node'
import type { PathObject } from '@/core/drawing/kinds/path/schema'
import { isContainer } from '@/core/drawing/objects/object'
import { outermost } from '@/core/drawing/objects/tree'
import type { Rules } from '@/core/rules/rules'
import type { Bench } from '../../state/bench'
import { isLocked } from '../../state/locked'
import { useBench, useBenchState, useRules, useDeferredObjects } from '../../state/context'
import { nodeKey, nodeOfKey } from '../../operations/node-selection'
import { NodeCells } from './node-cells'
import { SEVERAL } from '../../cells/value-cell'

const GRID = 'grid grid-cols-[58px_22px_70px_70px_100px_92px_86px_86px_minmax(120px,1fr)] items-center'

/** The nodes of the selected path as rows. An edit in a selected row goes to every selected node. */
function NodesPanel() {
  const rules = useRules()
  const objects = useDeferredObjects()
  const selection = useBenchState((state) => state.selection)
  const nodes = useBenchState((state) => state.nodes)
  const [object, ...more] = outermost(objects, selection)
  const path = object && more.length === 0 ? editable(object, sceneOf(rules)) : null
  if (!path) return <p className="px-4 py-3 text-quiet">Select one path or shape to see its nodes.</p>
  const locked = isLocked(objects, path.id)
  return (
    <div role="treegrid" aria-label="Nodes" aria-multiselectable className="min-w-[760px]">
      <div
        role="row"
        className={clsx(GRID, 'sticky top-0 z-[6] h-[23px] border-b border-hair bg-sheet text-small text-quiet')}
      >
        {['node', '', 'x', 'y', 'kind', 'corner', 'join', 'cap', 'handles'].map((name, i) => (
          <span
            role="columnheader"
            key={i}
            className={clsx(i === 0 ? 'pl-4' : name === 'x' || name === 'y' ? 'pr-2 text-right' : 'pl-1')}
          >
            {name}
          </span>
        ))}
      </div>
      {nodes.size > 1 && <Several path={path} rules={rules} places={[...nodes].map(nodeOfKey)} />}
      {path.contours.flatMap((run, contour) =>
        run.nodes.map((node, n) => {
          const place = { contour, node: n }
          const isEnd = !run.closed && (n === 0 || n === run.nodes.length - 1)
          return (
            <NodeRow
              key={nodeKey(place)}
              path={path}
              place={place}
              node={node}
              isEnd={isEnd}
              rules={rules}
              locked={locked}
              selected={nodes.has(nodeKey(place))}
            />
          )
        }),
      )}
    </div>
  )
}

function NodeRow({
  path,
  place,
  node,
  isEnd,
  rules,
  locked,
  selected,
}: {
  path: PathObject
  place: NodeAt
  node: Node
  isEnd: boolean
  rules: Rules
  locked: boolean
  selected: boolean
}) {
  const bench = useBench()
  const name = path.contours.length > 1 ? `${place.contour + 1}·${place.node + 1}` : `${place.node + 1}`
  const targets = () => (selected ? [...bench.store.getState().nodes].map(nodeOfKey) : [place])
  return (
    <div
      role="row"
      aria-selected={selected}
      data-node={name}
      onMouseDown={(event) => pickNode(bench, place, event)}
      className={clsx(
        GRID,
        'h-[22px] border-b border-faint [contain-intrinsic-height:22px] [content-visibility:auto]',
        selected && 'bg-hand-wash shadow-[inset_3px_0_var(--hand)]',
      )}
    >
      <span role="rowheader" className="pl-4">
        {name}
      </span>
      <Mark kind={nodeKindOf(node)} filled={selected} />
      <NodeCells
        bench={bench}
        path={path}
        rules={rules}
        label={`node ${name}`}
        node={node}
        isEnd={isEnd}
        readOnly={locked}
        targets={targets}
      />
      <span role="gridcell" className="truncate pl-1 text-quiet">
        {handleWords(node)}
      </span>
    </div>
  )
}

/** What the selected nodes have in common, in one row. */
function Several({ path, rules, places }: { path: PathObject; rules: Rules; places: readonly NodeAt[] }) {
  const bench = useBench()
  const nodes = places.flatMap(({ contour, node }) => path.contours[contour]?.nodes[node] ?? [])
  const shared = <K extends keyof Node>(key: K): Node[K] | typeof SEVERAL =>
    (nodes.every((node) => node[key] === nodes[0]?.[key]) ? nodes[0]?.[key] : SEVERAL) as Node[K] | typeof SEVERAL
  return (
    <div
      role="row"
      aria-label={`${places.length} nodes selected`}
      className={clsx(GRID, 'sticky top-[23px] z-[5] h-[22px] border-b border-hand bg-hand-wash font-[560]')}
    >
      <span className="col-span-2 truncate pl-4">{places.length} nodes</span>
      <NodeCells
        bench={bench}
        path={path}
        rules={rules}
        label="the selected nodes"
        node={{
          x: shared('x'),
          y: shared('y'),
          kind: shared('kind'),
          corner: shared('corner'),
          cornerStyle: shared('cornerStyle'),
          join: shared('join'),
          cap: shared('cap'),
        }}
        isEnd
        targets={() => places}
      />
      <span />
    </div>
  )
}

/** A press on a row selects its node; Shift or Ctrl adds it. The nodes tool is taken with it. */
function pickNode(bench: Bench, place: NodeAt, event: React.MouseEvent): void {
  if (event.button !== 0) return
  const key = nodeKey(place),
    { nodes, tool } = bench.store.getState()
  if (tool !== 'nodes') bench.take('nodes')
  if (event.shiftKey || event.ctrlKey || event.metaKey) {
    const next = new Set(nodes)
    if (!next.delete(key)) next.add(key)
    bench.store.setState({ nodes: next })
  } else if (!nodes.has(key) || !(event.target as HTMLElement).closest('button, input'))
    bench.store.setState({ nodes: new Set([key]) })
}

/** The node's shape on the square: triangle, disc or ring. */
function Mark({ kind, filled }: { kind: NodeKind; filled: boolean }) {
  const fill = filled ? 'var(--hand)' : 'var(--sheet)'
  return (
    <svg viewBox="-6 -6 12 12" width="12" height="12" stroke="var(--hand)" strokeWidth="1.25" fill={fill} aria-hidden>
      {kind === 'corner' ? <path d="M0-4L4 3.5H-4Z" /> : <circle r="3.5" />}
      {kind === 'symmetric' && <circle r="1.25" fill={filled ? 'var(--sheet)' : 'var(--hand)'} stroke="none" />}
    </svg>
  )
}

function handleWords({ in: into, out, arc }: Node): string {
  const length = (v: { x: number; y: number } | undefined) =>
    v ? String(Math.round(Math.hypot(v.x, v.y) * 100) / 100) : '–'
  const arcs = arc
    ? `arc ⌀${Math.round(arc.rx * 200) / 100}${arc.rx === arc.ry ? '' : ` × ${Math.round(arc.ry * 200) / 100}`}`
    : null
  if (!into && !out) return arcs ?? 'none'
  return [`in ${length(into)}`, arcs ?? `out ${length(out)}`].join(' · ')
}

export const nodesPanel: Panel = { id: 'nodes', word: 'Nodes', useCount: useNodeCount, Body: NodesPanel }

/** How many nodes the one selected path has, if any. */
function useNodeCount(): number | null {
  const objects = useDeferredObjects()
  const selection = useBenchState((state) => state.selection)
  const rules = useRules()
  const [object, ...more] = outermost(objects, selection)
  const path = object && more.length === 0 && !isContainer(object) ? editable(object, sceneOf(rules)) : null
  return path ? path.contours.reduce((sum, { nodes }) => sum + nodes.length, 0) : null
}
