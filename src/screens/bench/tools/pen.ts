import { PenLine } from 'lucide-react'
import type { ToolDefinition } from './tool'
import { distance, negated, type Point, subtract, unit } from '@/core/geometry/point'
import { tidy } from '@/core/geometry/tidy'
import { freshCorner, freshPath, freshStyle } from '@/core/drawing/edit/fresh'
import type { NodeAt } from '@/core/drawing/edit/node-edit'
import { reversedRun } from '@/core/drawing/edit/contour-edit'
import { insertNode, nearestSegment } from '@/core/drawing/edit/segment-edit'
import { contourOf } from '@/core/drawing/model/nodes'
import { weightOf } from '@/core/drawing/model/values'
import { find } from '@/core/drawing/objects/tree'
import type { DrawingObject } from '@/core/drawing/objects/object'
import type { Node, NodeRun } from '@/core/drawing/model/node'
import type { PathObject } from '@/core/drawing/kinds/path/schema'
import { constrainAngle } from '@/core/snap/snap'
import { newId } from '@/ui/new-id'
import type { Bench } from '../state/bench'
import { editedObject, editedPath, putPath } from '../operations/node-selection'
import type { Drawable } from '../state/drawable'
import { sliceInHand } from '../state/slice'
import { lineFigure } from './draw-line'
import { isFilledSet } from './fresh-style'
import { caught, turned } from './snapping'
import type { At, Tool } from './tool'

/**
 * What the pen has drawn so far, and the node that the next press would add. `onto` is the open end of a path that it
 * goes on from.
 */
type PenInHand = {
  readonly nodes: readonly Node[]
  readonly next: Node | null
  readonly closing: boolean
  readonly onto: { readonly id: string; readonly contour: number } | null
  /** How it was before each step, and the steps that were taken back. */
  readonly past: readonly Drawn[]
  readonly future: readonly Drawn[]
  /** The last node is to be smooth once it is known where the path goes on. */
  readonly round: boolean
}
type Drawn = Pick<PenInHand, 'nodes' | 'onto'>
const NOTHING: PenInHand = { nodes: [], next: null, closing: false, onto: null, past: [], future: [], round: false }
const PEN = sliceInHand<PenInHand>('pen', NOTHING)

/** The path under way in its true thickness, its nodes, the last one's handles, and the segment that would come next. */
function penMarks(bench: Bench, { nodes, next, closing }: PenInHand): Drawable[] {
  const last = nodes.at(-1)
  const run = (some: readonly Node[]) => [contourOf({ nodes: [...some], closed: false })]
  const { rules } = bench,
    style = freshStyle(rules, isFilledSet(bench)),
    withNext = next && !closing ? [...nodes, next] : nodes
  return [
    ...(style.stroke !== 'none' && withNext.length > 1
      ? [
          {
            as: 'stroke',
            path: run(withNext),
            width: weightOf(style.weight, rules),
            cap: style.cap ?? rules.cap,
            join: style.join ?? rules.join,
          } as const,
        ]
      : []),
    ...(nodes.length > 1 ? [{ as: 'path', path: run(nodes) } as const] : []),
    ...(last && next ? [{ as: 'path', path: run([last, next]), dashed: true } as const] : []),
    ...nodes.map((node, i) => ({ as: 'node', node, filled: i === 0 && closing, handles: node === last }) as const),
  ]
}

/** An open end of a path under the pointer. */
type OpenEnd = { readonly path: PathObject; readonly contour: number; readonly last: boolean; readonly at: Point }

/**
 * Draws paths: a click sets a corner, a press and drag a smooth node; on the first node it closes, on an open end it
 * goes on from there (N held: a new path all the same). Alt while dragging moves the outgoing handle alone; a click on
 * the last node drops it.
 */
function penTool(bench: Bench): Tool {
  const pen = (): PenInHand => bench.read(PEN)
  let another = false

  const placeOf = (at: At): { point: Point; closing: boolean; last: boolean } => {
    const { nodes } = pen()
    const first = nodes[0],
      last = nodes.at(-1)
    const near = (p: Point) => distance(p, at.p) <= bench.reach * 1.5
    if (first && nodes.length >= 2 && near(first))
      return { point: { x: first.x, y: first.y }, closing: true, last: false }
    if (last && near(last)) return { point: { x: last.x, y: last.y }, closing: false, last: true }
    const targets = bench.targetsAtRest
    if (last && at.shift)
      return {
        point: turned(bench, last, at, targets.step),
        closing: false,
        last: false,
      }
    const { point, marks } = caught(bench, at, targets, last)
    bench.hold({ marks })
    return { point, closing: false, last: false }
  }

  const hold = (change: Partial<PenInHand>) => bench.put(PEN, change)
  const drawn = ({ nodes, onto }: PenInHand): Drawn => ({ nodes, onto })

  /** A change that can be taken back by itself. */
  const step = (change: Partial<PenInHand>) => {
    const before = pen()
    hold({ ...change, past: [...before.past, drawn(before)], future: [] })
  }

  const finish = (closed: boolean) => {
    const { nodes, onto } = pen()
    bench.letGo()
    if (nodes.length >= 2)
      put(
        bench,
        {
          closed,
          nodes: nodes.map((node, i) => (closed || (i > 0 && i < nodes.length - 1) ? node : endNode(node, i === 0))),
        },
        onto,
      )
    bench.take('select')
  }

  return {
    cursor: 'crosshair',
    marks: () => penMarks(bench, pen()),
    hint: 'Click: corner · drag: curve · first node: closes · Shift: 45° · Alt: handle alone · N: a new path · Enter, Esc: end · Backspace: one back · by keys: O smooth, C corner',
    press(at) {
      const { nodes } = pen()
      const end = nodes.length === 0 && !another ? openEndAt(bench, at) : null
      const onto = nodes.length === 0 && !end && !another ? segmentOf(bench, at) : null
      if (onto) {
        putPath(bench, insertNode(onto.path, onto, onto.t), `Insert a node in ${onto.path.name}`)
        bench.hold({ intent: null })
        return null
      }
      if (end) {
        const run = end.path.contours[end.contour]!
        step({
          nodes: (end.last ? run : reversedRun(run)).nodes,
          onto: { id: end.path.id, contour: end.contour },
          next: null,
        })
        bench.hold({ intent: null })
        return null
      }
      const { point, closing, last } = placeOf(at)
      if (last && nodes.length > 0) {
        // A click on the last node deletes its outgoing handle: the next segment leaves it straight.
        step({ nodes: [...nodes.slice(0, -1), without(nodes.at(-1)!, 'out', 'kind')] })
        return null
      }
      const before = pen(),
        smoothed = before.round ? withSmoothLast(nodes, point) : nodes
      const base = closing ? smoothed.slice(1) : smoothed
      const pressed: Node = closing ? smoothed[0]! : { x: point.x, y: point.y }
      const withNode = (node: Node) => (closing ? [node, ...base] : [...base, node])
      step({ nodes: withNode(pressed), next: null, closing, round: false })
      let dragged = false
      return {
        move(next) {
          const { point: to } = next.shift
            ? { point: constrainAngle(point, next.p) }
            : caught(bench, next, bench.targetsAtRest)
          const out = subtract(to, point)
          if (Math.hypot(out.x, out.y) < bench.reach / 2 && !dragged) return
          dragged = true
          const held = pen().nodes[closing ? 0 : pen().nodes.length - 1]!
          hold({
            nodes: withNode(
              next.alt
                ? { ...without(held, 'kind'), out }
                : closing
                  ? { ...pressed, in: negated(out) }
                  : { ...pressed, out, in: negated(out), kind: 'symmetric' },
            ),
          })
          bench.hold({ figure: { at: to, text: lineFigure(point, to) } })
        },
        release() {
          bench.hold({ figure: null })
          if (closing && nodes.length >= (dragged ? 2 : 3)) finish(true)
          else if (closing && nodes.length >= 2 && nodes.some((node) => node.in || node.out)) finish(true)
        },
        cancel() {
          hold({ ...before, next: null, closing: false })
        },
      }
    },
    hover(at) {
      const { nodes } = pen()
      if (nodes.length === 0) {
        const end = another ? null : openEndAt(bench, at)
        const onto = end || another ? null : segmentOf(bench, at)
        const word = end ? 'continues' : onto ? 'inserts' : another ? 'starts a new path' : 'starts'
        bench.hold({
          marks: end || onto ? [] : caught(bench, at, bench.targetsAtRest).marks,
          intent: { at: at.p, word },
        })
        return
      }
      const { point, closing, last } = placeOf(at)
      hold({ next: last ? null : closing ? nodes[0]! : point, closing })
      bench.hold({
        figure: last ? null : { at: point, text: lineFigure(nodes.at(-1)!, point) },
        intent: { at: at.p, word: closing ? 'closes' : last ? 'drops the handle' : 'adds a node' },
      })
    },
    building() {
      const { nodes, past, future } = pen()
      if (nodes.length === 0 && future.length === 0) return null
      const now = drawn(pen())
      const rest = { next: null, closing: false }
      return {
        back:
          past.length === 0
            ? null
            : () => hold({ ...past.at(-1)!, ...rest, past: past.slice(0, -1), future: [now, ...future] }),
        forth:
          future.length === 0
            ? null
            : () => hold({ ...future[0]!, ...rest, past: [...past, now], future: future.slice(1) }),
        keep: () => finish(false),
      }
    },
    twice() {
      finish(false)
    },
    key(key, down = true) {
      if (key === 'n' || key === 'N') {
        another = down
        return true
      }
      const { nodes, onto } = pen()
      if (!down || nodes.length === 0) return false
      if (key === 'Enter' || key === 'Escape') finish(false)
      else if (key === 'o' || key === 'O') hold({ round: true })
      else if (key === 'c' || key === 'C')
        step({ nodes: [...nodes.slice(0, -1), without(nodes.at(-1)!, 'in', 'out', 'kind')], round: false })
      else if (key === 'Backspace' || key === 'Delete')
        // Without a node it goes on from nothing any more.
        step({ nodes: nodes.slice(0, -1), onto: nodes.length > 1 ? onto : null, next: null, closing: false })
      else return false
      return true
    },
  }
}

/** Nodes whose last one is smooth, towards where the path goes on; its handles are a third of the way to either side. */
function withSmoothLast(nodes: readonly Node[], next: Point): Node[] {
  const last = nodes.at(-1)!,
    before = nodes.at(-2)
  const d = unit(subtract(next, before ?? last)),
    handle = (length: number): Point => ({ x: tidy((d.x * length) / 3), y: tidy((d.y * length) / 3) })
  const arriving = before && { in: handle(-distance(before, last)) }
  return [...nodes.slice(0, -1), { ...last, ...arriving, out: handle(distance(last, next)), kind: 'smooth' }]
}

function without(node: Node, ...keys: (keyof Node)[]): Node {
  const copy = { ...node }
  for (const key of keys) delete copy[key]
  return copy
}

/** An end of an open path needs no handle on its free side. */
const endNode = (node: Node, first: boolean): Node => without(node, first ? 'in' : 'out', 'kind')

/** Adds the path drawn, or puts it in place of the contour that it went on from. */
function put(bench: Bench, run: NodeRun, onto: PenInHand['onto']): void {
  const old = onto && find(bench.objects, onto.id)?.object
  if (onto && old?.kind === 'path') {
    const contours = old.contours.map((other, i) => (i === onto.contour ? run : other))
    bench.edit({ kind: 'replace', objects: [{ ...old, contours }] }, `Continue ${old.name}`)
    bench.select([old.id])
    return
  }
  const id = newId()
  bench.edit(
    {
      kind: 'add',
      objects: [
        freshPath(
          id,
          bench.nameFor('Path'),
          [run],
          freshCorner(bench.rules),
          freshStyle(bench.rules, isFilledSet(bench) && run.closed),
        ),
      ],
      ...bench.top,
    },
    'Draw a path',
  )
  bench.select([id])
}

/** The segment of the selected object that is under the pointer: a press there inserts a node. */
function segmentOf(bench: Bench, at: At): (NodeAt & { t: number; path: PathObject }) | null {
  const path = editedPath(bench)
  const found = path && nearestSegment(path, at.p)
  if (!path || !found || found.distance > bench.reach / 2 || found.t <= 0.02 || found.t >= 0.98) return null
  // A live shape that this would turn into a path is kept: a new path begins beside it.
  const isPath = editedObject(bench, insertNode(path, found, found.t)).lost === null
  return isPath ? { ...found, path } : null
}

/** The open end of a path that is not locked, under the pointer. */
function openEndAt(bench: Bench, at: At): OpenEnd | null {
  for (const path of bench.reachable.toReversed()) {
    if (!isFreePath(path)) continue
    for (const [contour, { nodes, closed }] of path.contours.entries()) {
      if (closed) continue
      for (const last of [true, false]) {
        const node = last ? nodes[nodes.length - 1]! : nodes[0]!
        if (distance(node, at.p) <= bench.reach * 1.2) return { path, contour, last, at: { x: node.x, y: node.y } }
      }
    }
  }
  return null
}

const isFreePath = (object: DrawingObject): object is PathObject =>
  object.kind === 'path' && !object.locked && !object.hidden

export const pen: ToolDefinition = {
  id: 'pen',
  byKeys: 'clicks',
  name: 'Pen',
  cluster: 'Lay',
  key: 'Digit6',
  picture: PenLine,
  make: penTool,
}
