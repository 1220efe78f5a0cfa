'use client'

import { nodeKindOf } from '@/core/drawing/edit/node-edit'
import type { Node } from '@/core/drawing/model/node'
import type { PathObject } from '@/core/drawing/kinds/path/schema'
import { useBenchState, useSlice } from '../../state/context'
import { nodeKey } from '../../operations/node-selection'
import { HANDLE, shownHandles } from '../../tools/nodes'
import { toScreen, type View } from '../../state/view'

type XY = { readonly x: number; readonly y: number }

/**
 * Node marks of a path: a corner is a triangle, a smooth node a disc, a symmetric node a ring; selected nodes are
 * filled.
 */
export function NodeMarks({ path, view }: { path: PathObject; view: View }) {
  const selected = useBenchState((state) => state.nodes)
  const markedNode = useBenchState((state) => state.markedNode)
  const { handle: held } = useSlice(HANDLE)
  return (
    <g data-testid="nodes">
      {shownHandles(path, selected).map(({ at, side, from, to }) => (
        <Handle
          key={`${nodeKey(at)} ${side}`}
          from={toScreen(view, from)}
          to={toScreen(view, to)}
          isHeld={held !== null && nodeKey(held.at) === nodeKey(at) && held.side === side}
        />
      ))}
      {path.contours.flatMap(({ nodes, closed }, contour) =>
        nodes.map((node, n) => (
          <NodeMark
            marked={markedNode === nodeKey({ contour, node: n })}
            key={`${contour} ${n}`}
            node={node}
            at={toScreen(view, node)}
            filled={selected.has(nodeKey({ contour, node: n }))}
            end={!closed && (n === 0 || n === nodes.length - 1)}
          />
        )),
      )}
    </g>
  )
}

export function NodeMark({ marked, ...rest }: { marked?: boolean; node: Node; at: XY; filled: boolean; end: boolean }) {
  const { x, y } = rest.at
  return (
    <>
      {marked && (
        <path
          d={`M${x - 10} ${y - 5}v-5h5M${x + 10} ${y - 5}v-5h-5M${x - 10} ${y + 5}v5h5M${x + 10} ${y + 5}v5h-5`}
          strokeWidth={1.5}
        />
      )}
      <Shape {...rest} />
    </>
  )
}

function Shape({ node, at: { x, y }, filled, end }: { node: Node; at: XY; filled: boolean; end: boolean }) {
  const fill = filled ? 'var(--hand)' : 'var(--sheet)'
  switch (nodeKindOf(node)) {
    case 'corner':
      return <path d={`M${x} ${y - 5.5}l5 8.5h-10z`} fill={fill} strokeWidth={end ? 2 : 1.5} />
    case 'smooth':
      return <circle cx={x} cy={y} r={4} fill={fill} strokeWidth={1.5} />
    case 'symmetric':
      return (
        <>
          <circle cx={x} cy={y} r={4.5} fill={fill} strokeWidth={1.5} />
          <circle cx={x} cy={y} r={1.75} fill={filled ? 'var(--sheet)' : 'none'} strokeWidth={filled ? 0 : 1} />
        </>
      )
  }
}

/** A handle: a line to its end, which is a short bar across. */
export function Handle({ from, to, isHeld = false }: { from: XY; to: XY; isHeld?: boolean }) {
  const length = Math.hypot(to.x - from.x, to.y - from.y) || 1
  const nx = (-(to.y - from.y) / length) * 4.5,
    ny = ((to.x - from.x) / length) * 4.5
  return (
    <>
      <path d={`M${from.x} ${from.y}L${to.x} ${to.y}`} opacity=".7" />
      <path d={`M${to.x - nx} ${to.y - ny}L${to.x + nx} ${to.y + ny}`} strokeWidth={isHeld ? 6 : 3} />
    </>
  )
}
