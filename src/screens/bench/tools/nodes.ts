import { styleOf } from '@/core/drawing/scene/shared-style'
import { Waypoints } from 'lucide-react'
import type { ToolDefinition } from './tool'
import { boxContains } from '@/core/geometry/box'
import { distance, type Point, subtract } from '@/core/geometry/point'
import { changeNodes, moveNodes, type NodeAt, nodeAt, setHandle } from '@/core/drawing/edit/node-edit'
import { insertNode, nearestSegment, pullSegment } from '@/core/drawing/edit/segment-edit'
import { outline } from '@/core/drawing/evaluate/evaluate'
import { hits } from '@/core/drawing/evaluate/pick'
import { toggledRegion } from '@/core/drawing/kinds/path/regions'
import type { PathObject } from '@/core/drawing/kinds/path/schema'
import { constrainAngle } from '@/core/snap/snap'
import { say } from '@/ui/notice'
import { figure } from '@/ui/sum'
import type { Bench } from '../state/bench'
import { allNodes, editedPath, nodeKey, previewPath, putPath, selectedNodes } from '../operations/node-selection'
import { sliceInHand } from '../state/slice'
import { toScreen } from '../state/view'
import { lineFigure } from './draw-line'
import { afterRelease, editDrag, lasso, pathDrag, travelled } from './drags'
import { caught } from './snapping'
import type { At, Drag, Tool } from './tool'
import { hoverOver, pickAt, pickWithin } from './under'

/** Screen pixels around a node or the end of a handle in which a press takes it. */
const GRIP = 7

/** The handle that was pulled last, as long as nothing else is in hand. */
export const HANDLE = sliceInHand('handle', {
  handle: null as { readonly at: NodeAt; readonly side: 'in' | 'out' } | null,
})

/**
 * Edits the nodes of a path: moves them and their handles, inserts (double click), pulls segments; a box or Shift
 * selects several.
 */
function nodesTool(bench: Bench): Tool {
  return {
    cursor: 'default',
    shows: { nodes: true, hovered: true },
    hint: 'Drag nodes, handles, segments · double click: insert · Shift: add · Alt: handle alone; in a region: its fill · Delete keeps it closed',
    hover(at) {
      const path = editedPath(bench)
      const word =
        (path ? intent(bench, path, at) : null) ?? (isOnImage(bench, at) ? 'image: its other side has the nodes' : null)
      bench.hold({ intent: word ? { at: at.p, word } : null })
      const other = path && (word || isOn(bench, path, at)) ? null : pickAt(bench, at)
      hoverOver(bench, other)
    },
    press(at) {
      bench.hold({ intent: null })
      const path = editedPath(bench)
      const handle = path && handleAt(bench, path, at)
      if (handle) return pullHandle(bench, path, handle.at, handle.side)
      bench.put(HANDLE, { handle: null })
      const node = path && nodeUnder(bench, path, at)
      if (node) return pressNode(bench, path, node, at)
      const segment = path && segmentUnder(bench, path, at)
      if (path && !segment && at.alt && toggleRegion(bench, path, at)) return null
      if (segment) return pressSegment(bench, path, segment, at)
      const isImage = isOnImage(bench, at),
        other = pickWithin(bench, at)
      if (isImage)
        say({ text: 'This is an image: it follows the nodes of the side that it mirrors, which are shown now.' })
      if (other && other.id !== path?.id) {
        bench.select([other.id])
        bench.store.setState({ nodes: new Set() })
        return null
      }
      return path ? selectWithin(bench, path, at) : null
    },
    removal: () => removalOfHandle(bench),
    twice(at) {
      const path = editedPath(bench)
      const segment = path && !nodeUnder(bench, path, at) ? segmentUnder(bench, path, at) : null
      if (!path || !segment) return
      putPath(bench, insertNode(path, segment, segment.t), `Insert a node in ${path.name}`)
      bench.store.setState({ nodes: new Set([nodeKey({ contour: segment.contour, node: segment.node + 1 })]) })
    },
  }
}

/** True at a mirrored image, false at its original. */
function isOnImage({ reachable, scope, scene, reach }: Bench, { p }: At): boolean {
  return [...reachable, ...(scope ? [scope] : [])].some(
    (object) =>
      object.kind === 'mirror' &&
      hits([object], scene, p, reach).length > 0 &&
      hits(object.members, scene, p, reach).length === 0,
  )
}

const isOn = (bench: Bench, path: PathObject, at: At): boolean => segmentUnder(bench, path, at) !== null

/** What a press would do, in a word or two. */
function intent(bench: Bench, path: PathObject, at: At): string | null {
  const handle = handleAt(bench, path, at)
  if (handle) return 'handle'
  const node = nodeUnder(bench, path, at)
  if (node) return nodeAt(path, node)?.kind ?? 'corner'
  return segmentUnder(bench, path, at) ? 'pulls, or inserts twice' : null
}

function near(bench: Bench, p: Point, at: At): boolean {
  const { view } = bench.store.getState()
  return view !== null && distance(toScreen(view, p), at.screen) <= GRIP
}

function nodeUnder(bench: Bench, path: PathObject, at: At): NodeAt | null {
  let best: NodeAt | null = null,
    least = Infinity
  path.contours.forEach(({ nodes }, contour) =>
    nodes.forEach((one, node) => {
      const far = distance(one, at.p)
      // Of two ends in one place the later is on top.
      if (near(bench, one, at) && far <= least) {
        best = { contour, node }
        least = far
      }
    }),
  )
  return best
}

/** Handles can be taken where they are shown: at selected nodes and their neighbours. */
export function shownHandles(
  path: PathObject,
  selected: ReadonlySet<string>,
): { at: NodeAt; side: 'in' | 'out'; from: Point; to: Point }[] {
  return path.contours.flatMap(({ nodes, closed }, contour) =>
    nodes.flatMap((node, n) => {
      const beside = [n, n - 1, n + 1].map((i) => (closed ? (i + nodes.length) % nodes.length : i))
      if (!beside.some((i) => selected.has(nodeKey({ contour, node: i })))) return []
      return (['in', 'out'] as const).flatMap((side) => {
        const vector = node[side]
        return vector
          ? [
              {
                at: { contour, node: n },
                side,
                from: { x: node.x, y: node.y },
                to: { x: node.x + vector.x, y: node.y + vector.y },
              },
            ]
          : []
      })
    }),
  )
}

function handleAt(bench: Bench, path: PathObject, at: At): { at: NodeAt; side: 'in' | 'out' } | null {
  return shownHandles(path, bench.store.getState().nodes).find(({ to }) => near(bench, to, at)) ?? null
}

function segmentUnder(bench: Bench, path: PathObject, at: At): (NodeAt & { t: number; at: Point }) | null {
  const found = nearestSegment(path, at.p)
  return found && found.distance <= bench.reach ? found : null
}

/** Alt and a press in a closed region of a path switch its fill; false where there is none. */
function toggleRegion(bench: Bench, path: PathObject, at: At): boolean {
  const [object] = bench.free
  if (object?.kind !== 'path') return false
  const next = toggledRegion(object, outline(object, bench.scene), at.p)
  if (!next) return false
  const style = styleOf(next, bench.scene)
  const filled = style.fill === 'none' ? { ...next, regions: [at.p], style: { ...style, fill: style.stroke } } : next
  bench.edit({ kind: 'replace', objects: [filled] }, `Fill of a region of ${path.name}`)
  return true
}

/** A press on a node selects it, with Shift it too, or no more; a drag moves all that are selected, with Shift in one direction. */
function pressNode(bench: Bench, path: PathObject, pressed: NodeAt, start: At): Drag | null {
  const key = nodeKey(pressed)
  const { nodes: before } = bench.store.getState()
  const isNew = !before.has(key)
  const rest = start.shift ? [...before].filter((other) => other !== key) : []
  if (isNew) bench.store.setState({ nodes: new Set([...rest, key]) })
  const places = withMeeting(path, selectedNodes(bench))
  const from = nodeAt(path, pressed)!
  const targets = bench.targets(new Set([path.id]), otherNodes(path, places))
  let moving = false
  return pathDrag(
    bench,
    `Move ${places.length === 1 ? 'a node' : `${places.length} nodes`} of ${path.name}`,
    (at) => {
      moving ||= travelled(start, at)
      if (!moving) return null
      const { point, marks } = at.shift ? { point: constrainAngle(from, at.p), marks: [] } : caught(bench, at, targets)
      return {
        edit: moveNodes(path, places, subtract(point, from)),
        held: { marks, figure: { at: point, text: `${figure(point.x)}, ${figure(point.y)}` } },
      }
    },
    // A click on a node that was selected is left to its release: until then it may be a drag of all that are.
    () => !isNew && bench.store.setState({ nodes: new Set(start.shift ? rest : [key]) }),
  )
}

/** Nodes with the ends of other strokes of the path that lie in the same place: they move together. */
function withMeeting(path: PathObject, places: readonly NodeAt[]): NodeAt[] {
  const moved = places.map((place) => nodeAt(path, place)!)
  return path.contours.flatMap(({ nodes }, contour) =>
    nodes.flatMap((node, n) => (moved.some((one) => distance(one, node) < 1e-9) ? [{ contour, node: n }] : [])),
  )
}

/** The nodes of a path that stay where they are, to snap to. */
function otherNodes(path: PathObject, places: readonly NodeAt[]): Point[] {
  const moved = new Set(places.map(nodeKey))
  return path.contours.flatMap(({ nodes }, contour) =>
    nodes.flatMap((node, n) => (moved.has(nodeKey({ contour, node: n })) ? [] : [{ x: node.x, y: node.y }])),
  )
}

function pullHandle(bench: Bench, path: PathObject, place: NodeAt, side: 'in' | 'out'): Drag {
  const node = nodeAt(path, place)!
  const targets = bench.targets(new Set([path.id]), otherNodes(path, []))
  const pull = pathDrag(bench, `Pull a handle of ${path.name}`, (at) => {
    const { point, marks } = at.shift ? { point: constrainAngle(node, at.p), marks: [] } : caught(bench, at, targets)
    return {
      edit: setHandle(path, place, side, subtract(point, node), at.alt),
      held: { marks, figure: { at: point, text: lineFigure(node, point) } },
    }
  })
  return afterRelease(pull, () => bench.put(HANDLE, { handle: { at: place, side } }))
}

/** Takes the handle in hand away: its segment leaves the node straight. */
function removalOfHandle(bench: Bench): (() => void) | null {
  const path = editedPath(bench),
    { handle } = bench.read(HANDLE)
  if (!path || !handle || !nodeAt(path, handle.at)?.[handle.side]) return null
  return () => {
    bench.letGo()
    const without = changeNodes(path, [handle.at], ({ kind: _, [handle.side]: __, ...node }) => node)
    putPath(bench, without, `Remove a handle of ${path.name}`)
  }
}

/** A press on a segment selects its two nodes; a drag pulls it to a curve. */
function pressSegment(bench: Bench, path: PathObject, segment: NodeAt & { t: number }, start: At): Drag {
  const { nodes } = path.contours[segment.contour]!
  const both = new Set([
    nodeKey(segment),
    nodeKey({ contour: segment.contour, node: (segment.node + 1) % nodes.length }),
  ])
  const select = () =>
    bench.store.setState(({ nodes: before }) => ({ nodes: start.shift ? new Set([...before, ...both]) : both }))
  let pulling = false
  const next = (at: At) => {
    pulling ||= travelled(start, at)
    if (!pulling) return null
    const { point, marks } = caught(bench, at, bench.targetsAtRest)
    return { edit: pullSegment(path, segment, segment.t, point), held: { marks } }
  }
  const put = (edit: PathObject) => {
    select()
    putPath(bench, edit, `Curve a segment of ${path.name}`)
  }
  return editDrag(bench, next, { show: (edit) => previewPath(bench, edit), put, click: select })
}

function selectWithin(bench: Bench, path: PathObject, start: At): Drag {
  const before = start.shift ? bench.store.getState().nodes : new Set<string>()
  const select = (nodes: Iterable<string>) => bench.store.setState({ nodes: new Set(nodes) })
  return lasso(bench, start, {
    choose: (box) =>
      select([
        ...before,
        ...allNodes(path)
          .filter((at) => boxContains(box, nodeAt(path, at)!))
          .map(nodeKey),
      ]),
    click: () => select([]),
    restore: () => select(before),
  })
}

export const nodes: ToolDefinition = {
  id: 'nodes',
  byKeys: 'never',
  name: 'Nodes',
  cluster: 'Shape',
  key: 'KeyW',
  picture: Waypoints,
  make: nodesTool,
}
