import { SquareRoundCorner } from 'lucide-react'
import type { ToolDefinition } from './tool'
import { distance, type Point } from '@/core/geometry/point'
import { radiusOf } from '@/core/drawing/values'
import { pulledRadius } from '@/core/drawing/grip'
import { changeNodes, type NodeAt, nodeAt } from '@/core/drawing/node-edit'
import type { PathObject } from '@/core/drawing/kinds/path/schema'
import type { Radius } from '@/core/drawing/style'
import { figure } from '@/ui/sum'
import type { Bench } from '../bench'
import { allNodes, editedPath } from '../node-selection'
import { toScreen } from '../view'
import { pathDrag } from './drags'
import type { At, Drag, Tool } from './tool'
import { pickWithin } from './under'

/** Screen pixels around a corner in which a press takes it. */
const GRIP = 14

/** Rounds corners by dragging inwards from them: one, or all of the object with Shift. A press elsewhere selects. */
export function cornerTool(bench: Bench): Tool {
  return {
    cursor: 'default',
    hint: 'Drag inwards from a corner · Shift: all corners · what comes near a radius of the rules takes it',
    hover(at) {
      const found = cornerAt(bench, at)
      bench.hold({
        intent: found ? { at: at.p, word: 'corner' } : null,
        marks: found
          ? [
              {
                kind: 'point',
                at: found.at,
                label: radiusText(bench, nodeAt(found.path, found.place)!.corner ?? found.path.corner),
              },
            ]
          : [],
      })
    },
    press(at) {
      const found = cornerAt(bench, at)
      if (found) return pull(bench, found.path, found.place)
      const other = pickWithin(bench, at)
      bench.select(other ? [other.id] : [])
      return null
    },
  }
}

/** The corner of the selected object under the pointer. */
function cornerAt(bench: Bench, at: At): { path: PathObject; place: NodeAt; at: Point } | null {
  const path = editedPath(bench),
    { view } = bench.store.getState()
  if (!path || !view) return null
  let best: { path: PathObject; place: NodeAt; at: Point } | null = null,
    least = GRIP
  path.contours.forEach(({ nodes, closed }, contour) =>
    nodes.forEach((node, n) => {
      const away = distance(toScreen(view, node), at.screen)
      const isEnd = !closed && (n === 0 || n === nodes.length - 1)
      if (isEnd || away > least) return
      least = away
      best = { path, place: { contour, node: n }, at: { x: node.x, y: node.y } }
    }),
  )
  return best
}

const radiusText = (bench: Bench, radius: Radius): string =>
  typeof radius === 'string' ? `${radius} ${figure(radiusOf(radius, bench.rules))}` : figure(radius)

function pull(bench: Bench, path: PathObject, place: NodeAt): Drag {
  const { nodes } = path.contours[place.contour]!
  return pathDrag(bench, `Round a corner of ${path.name}`, (at) => {
    const corner = pulledRadius(nodes, place.node, at.p, bench.scene, { step: at.free ? null : bench.rules.grid.step })
    const places = at.shift ? allNodes(path) : [place]
    return {
      edit: changeNodes(path, places, (node) => ({ ...node, corner })),
      held: { marks: [], intent: null, figure: { at: at.p, text: `radius ${radiusText(bench, corner)}` } },
    }
  })
}

export const corner: ToolDefinition = {
  id: 'corner',
  name: 'Corner',
  cluster: 'Shape',
  key: 'KeyE',
  picture: SquareRoundCorner,
  make: cornerTool,
  byKeys: true,
}
