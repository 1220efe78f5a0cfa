import {
  nodeKindOf,
  moveNodes,
  type NodeAt,
  nodeAt,
  type NodeKind,
  removeNodes,
  setKind,
} from '@/core/drawing/edit/node-edit'
import { closeContour, joinEnds, openAt, reverseContour } from '@/core/drawing/edit/contour-edit'
import { insertNode, straighten } from '@/core/drawing/edit/segment-edit'
import { contourOf, nodesOf } from '@/core/drawing/model/nodes'
import { editable } from '@/core/drawing/edit/editable'
import { outline } from '@/core/drawing/evaluate/evaluate'
import { extended, shortened } from '@/core/outline/extend'
import type { PathObject } from '@/core/drawing/kinds/path/schema'
import { simplify } from '@/core/outline/simplify'
import type { Point } from '@/core/geometry/point'
import { find } from '@/core/drawing/objects/tree'
import { restored } from '@/core/drawing/edit/restored'
import { undo } from '@/core/set/history'
import { say } from '@/ui/notice'
import type { Bench } from '../state/bench'
import { allNodes, editedPath, nodeKey, nodeOfKey, putPath, selectedNodes } from './node-selection'

const title = (places: readonly NodeAt[]): string => (places.length === 1 ? 'a node' : `${places.length} nodes`)

/** Whether keys and commands go to nodes: the nodes tool is in hand over one path. */
export const inNodes = (bench: Bench): boolean => bench.store.getState().tool === 'nodes' && editedPath(bench) !== null

/** What keeps nodes from being edited, as a sentence; null when nothing does. */
export function nodesNeed(bench: Bench): string | null {
  if (!editedPath(bench)) return 'Select one path or shape, then nodes of it with the nodes tool (W).'
  return selectedNodes(bench).length > 0 ? null : 'Select nodes of the path first, with the nodes tool (W).'
}

function edit(bench: Bench, next: PathObject | null, label: string): void {
  if (next) putPath(bench, next, label)
}

export function nudgeNodes(bench: Bench, by: Point): void {
  const path = editedPath(bench)!,
    places = selectedNodes(bench)
  edit(bench, moveNodes(path, places, by), `Move ${title(places)} of ${path.name}`)
}

/** Deletes the selected nodes; a path without contours is deleted. */
export function deleteNodes(bench: Bench): void {
  const path = editedPath(bench)!,
    places = selectedNodes(bench)
  const next = removeNodes(path, places)
  bench.store.setState({ nodes: new Set() })
  if (next) edit(bench, restored(next, earlierForms(bench, path.id)), `Delete ${title(places)} of ${path.name}`)
  else bench.edit({ kind: 'remove', ids: [path.id] }, `Delete ${path.name}`)
}

/** How many steps of the history are looked through. */
const STEPS = 100

/** The forms that a path of the open drawing had before, the latest first. */
function* earlierForms(bench: Bench, id: string): Generator<PathObject> {
  const { icon, master } = bench
  let { history } = bench.session.getState()
  for (let i = 0; i < STEPS && history.past.length > 0; i++) {
    history = undo(history)
    const drawn = history.present.icons.find((one) => one.id === icon?.id)?.masters
    const found = find(drawn?.find(({ base }) => base === master?.base)?.objects ?? [], id)?.object
    if (found?.kind === 'path') yield found
  }
}

export function setNodeKind(bench: Bench, kind: NodeKind): void {
  const path = editedPath(bench)!,
    places = selectedNodes(bench)
  edit(bench, setKind(path, places, kind), `Make ${title(places)} ${kind === 'corner' ? 'corners' : kind}`)
}

/** A node in the middle of every segment whose two nodes are selected. */
export function insertBetween(bench: Bench): void {
  const path = editedPath(bench)!
  const segments = selectedSegments(bench)
  // From the last on, which keeps earlier indices.
  const next = segments.toReversed().reduce((so, at) => insertNode(so, at, 0.5), path)
  if (segments.length === 0) say({ text: 'Select both nodes of a segment: the new node goes between them.' })
  else edit(bench, next, `Insert ${title(segments)} in ${path.name}`)
}

export function straightenSegments(bench: Bench): void {
  const path = editedPath(bench)!,
    segments = selectedSegments(bench)
  if (segments.length === 0) say({ text: 'Select both nodes of a segment to make it straight.' })
  else
    edit(
      bench,
      straighten(path, segments),
      `Straighten ${segments.length === 1 ? 'a segment' : `${segments.length} segments`} of ${path.name}`,
    )
}

/** The segments whose two nodes are selected, by the node each leaves. */
function selectedSegments(bench: Bench): NodeAt[] {
  const path = editedPath(bench)!,
    { nodes } = bench.store.getState()
  return path.contours.flatMap((run, contour) =>
    run.nodes.flatMap((_, node) => {
      const next = (node + 1) % run.nodes.length
      const there = run.closed || node + 1 < run.nodes.length
      return there && nodes.has(nodeKey({ contour, node })) && nodes.has(nodeKey({ contour, node: next }))
        ? [{ contour, node }]
        : []
    }),
  )
}

/** Opens the path at the first of the selected nodes. */
export function openHere(bench: Bench): void {
  const path = editedPath(bench)!,
    [place] = selectedNodes(bench)
  edit(bench, openAt(path, place!), `Open ${path.name}`)
  // The contour begins at the node then.
  bench.store.setState({ nodes: new Set([nodeKey({ contour: place!.contour, node: 0 })]) })
}

/** Joins two selected ends, or closes the open contours of the selected nodes; without one, the only contour of the path. */
export function joinNodes(bench: Bench): void {
  const path = editedPath(bench)!,
    places = selectedNodes(bench)
  const [a, b] = places
  const joined = places.length === 2 ? joinEnds(path, a!, b!) : null
  const only = places.length === 0 && path.contours.length === 1 ? [0] : []
  const next = joined ?? [...new Set([...only, ...places.map(({ contour }) => contour)])].reduce(closeContour, path)
  if (next === path || JSON.stringify(next) === JSON.stringify(path))
    say({ text: 'Select two ends of an open path, or nodes of one to close it.' })
  else edit(bench, next, joined ? `Join ends of ${path.name}` : `Close ${path.name}`)
  bench.store.setState({ nodes: new Set() })
}

export function reversePath(bench: Bench): void {
  const path = editedPath(bench)!
  edit(
    bench,
    path.contours.reduce((so, _, contour) => reverseContour(so, contour), path),
    `Reverse ${path.name}`,
  )
}

/** Selects nodes by a rule: all, the others, or those of the same kind as the selected ones. */
export function selectNodes(bench: Bench, which: 'all' | 'others' | 'alike' | 'between'): void {
  const path = editedPath(bench)!,
    { nodes } = bench.store.getState()
  const kinds = new Set(selectedNodes(bench).map((at) => nodeKindOf(nodeAt(path, at)!)))
  const chosen = allNodes(path).filter((at) => {
    const is = nodes.has(nodeKey(at))
    if (which === 'all') return true
    if (which === 'others') return !is
    if (which === 'alike') return kinds.has(nodeKindOf(nodeAt(path, at)!))
    return isBetween(selectedNodes(bench), at)
  })
  bench.store.setState({ nodes: new Set(chosen.map(nodeKey)) })
}

/** Whether a node lies between the first and last selected one of its contour. */
function isBetween(selected: readonly NodeAt[], { contour, node }: NodeAt): boolean {
  const own = selected.filter((at) => at.contour === contour).map((at) => at.node)
  return own.length > 0 && node >= Math.min(...own) && node <= Math.max(...own)
}

/** Selected nodes brought to one line, that of the node selected last. */
export function alignNodes(bench: Bench, axis: 'x' | 'y'): void {
  const path = editedPath(bench)!,
    places = selectedNodes(bench)
  const marked = nodeAt(path, markedOf(bench, places))!
  edit(
    bench,
    places.reduce((so, at) => {
      const node = nodeAt(so, at)!
      return moveNodes(so, [at], axis === 'x' ? { x: marked.x - node.x, y: 0 } : { x: 0, y: marked.y - node.y })
    }, path),
    `Align ${title(places)} of ${path.name}`,
  )
}

/** Selected nodes spaced evenly along an axis, between the two outermost. */
export function spaceNodes(bench: Bench, axis: 'x' | 'y'): void {
  const path = editedPath(bench)!
  const order = selectedNodes(bench).toSorted((a, b) => nodeAt(path, a)![axis] - nodeAt(path, b)![axis])
  const first = nodeAt(path, order[0]!)![axis],
    last = nodeAt(path, order.at(-1)!)![axis]
  edit(
    bench,
    order.reduce((so, at, i) => {
      const by = first + ((last - first) * i) / (order.length - 1) - nodeAt(so, at)![axis]
      return moveNodes(so, [at], axis === 'x' ? { x: by, y: 0 } : { x: 0, y: by })
    }, path),
    `Space ${title(order)} of ${path.name}`,
  )
}

/** Marks the selected node as the one that others are aligned to, or takes the mark away. */
export function markReference(bench: Bench): void {
  const key = [...bench.store.getState().nodes].at(-1)!
  bench.store.setState(({ markedNode }) => ({ markedNode: markedNode === key ? null : key }))
}

/** Draws the selected end on to the first edge it meets, or cuts it back to the last one it crosses. */
export function fitEnd(bench: Bench, way: 'extend' | 'shorten'): void {
  const path = editedPath(bench)!
  const end = selectedNodes(bench).find(
    ({ contour, node }) =>
      !path.contours[contour]!.closed && (node === 0 || node === path.contours[contour]!.nodes.length - 1),
  )
  if (!end) return void say({ text: 'Select the end of an open path first.' })
  const run = path.contours[end.contour]!
  const others = [
    ...bench.objects
      .filter((object) => object.id !== path.id && !object.hidden)
      .flatMap((object) => outline(object, bench.scene)),
    ...path.contours.filter((other) => other !== run).map(contourOf),
  ]
  const found = (way === 'extend' ? extended : shortened)(contourOf(run), end.node !== 0, others)
  if (!found)
    return void say({ text: way === 'extend' ? 'Extended, this end meets no edge.' : 'No edge crosses this path.' })
  edit(
    bench,
    { ...path, contours: path.contours.map((other) => (other === run ? nodesOf(found.contour, run.nodes) : other)) },
    `${way === 'extend' ? 'Extend' : 'Shorten'} ${path.name} to an edge`,
  )
  bench.store.setState({ nodes: new Set() })
}

/** Puts the strokes of several paths and lines into one path, where ends in one place move together. */
export function gatherStrokes(bench: Bench): void {
  const paths = bench.free.flatMap((object) => editable(object, bench.scene) ?? [])
  const [lowest, ...rest] = paths
  if (!lowest) return
  const whole: PathObject = { ...lowest, contours: paths.flatMap((path) => path.contours) }
  bench.edit(
    { kind: 'merge', into: whole, gone: rest.map(({ id }) => id) },
    `Put ${paths.length} strokes into one path`,
  )
  bench.select([whole.id])
}

/** The node that others are brought to: the one that was marked, else the one selected last. */
function markedOf(bench: Bench, places: readonly NodeAt[]): NodeAt {
  const { markedNode } = bench.store.getState()
  if (markedNode !== null) return nodeOfKey(markedNode)
  const last = [...bench.store.getState().nodes].at(-1)
  return places.find((at) => nodeKey(at) === last) ?? places[places.length - 1]!
}

/** Takes needless nodes out of the selected paths, within a tolerance of a hundredth of a unit. */
export function simplifyPaths(bench: Bench, tolerance = 0.02): void {
  const paths = bench.free.filter((object): object is PathObject => object.kind === 'path')
  const count = (path: PathObject) => path.contours.reduce((sum, run) => sum + run.nodes.length, 0)
  let before = 0,
    after = 0
  const next = paths.map((path) => {
    const contours = path.contours.map((run) => {
      const { nodes } = nodesOf(simplify([contourOf(run)], tolerance)[0] ?? contourOf(run), run.nodes)
      return { ...run, nodes }
    })
    before += count(path)
    const simple = { ...path, contours }
    after += count(simple)
    return simple
  })
  if (after === before) say({ text: 'No node can be removed without moving the outline by more than 0.02 units.' })
  else {
    bench.edit(
      { kind: 'replace', objects: next },
      `Simplify ${paths.length === 1 ? paths[0]!.name : `${paths.length} paths`}`,
    )
    say({ text: `${before} nodes became ${after}; nothing moved by more than 0.02.` })
  }
  bench.store.setState({ nodes: new Set() })
}
