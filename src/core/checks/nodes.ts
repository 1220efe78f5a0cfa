import { editable } from '../drawing/edit/editable'
import { type DrawingObject, kindOf, type OfKind } from '../drawing/model/object'
import type { Node, NodeRun } from '../drawing/model/node'
import { distance, type Point } from '../geometry/point'
import type { Check, Checked, Found } from './check'
import { replacing, seenIn } from './seen'
import { isStraight } from './straights'
import { SAME } from './tolerance'

type PathObject = OfKind<'path'>
type At = { readonly contour: number; readonly node: number }

/** What is wrong with nodes of paths: one finding for each path, its first node marked, all of them mended. */
function inPaths(
  { objects, rules, scene }: Checked,
  faults: (path: PathObject, unit: number) => readonly At[],
  mended: (path: PathObject, faults: readonly At[]) => DrawingObject | null,
  sentence: (name: string, count: number) => string,
): Found[] {
  return seenIn(objects).flatMap((one): Found[] => {
    const { object } = one
    const path = kindOf(object).runs ? editable(object, scene) : null
    if (!path) return []
    const found = faults(path, rules.grid.size / 24)
    const [first] = found
    if (!first) return []
    const { x, y } = path.contours[first.contour]!.nodes[first.node]!
    const next = mended(path, found)
    const mend = next ? replacing(one, next) : one.isFree ? { mend: { kind: 'remove' as const, ids: [object.id] } } : {}
    return [{ sentence: sentence(object.name, found.length), objects: [object.id], spot: { at: { x, y } }, ...mend }]
  })
}

const eachNode = (path: PathObject, is: (run: NodeRun, at: number) => boolean): At[] =>
  path.contours.flatMap((run, contour) => run.nodes.flatMap((_, node) => (is(run, node) ? [{ contour, node }] : [])))

const many = (count: number, one: string, more: string): string => (count === 1 ? one : `${count} ${more}`)

/** A path without some of its nodes; contours of less than two nodes go, and a path without contours. */
function without(path: PathObject, gone: readonly At[]): PathObject | null {
  const contours = path.contours.flatMap((run, contour) => {
    const nodes = run.nodes.filter((_, node) => !gone.some((at) => at.contour === contour && at.node === node))
    return nodes.length < 2 ? [] : nodes.length === run.nodes.length ? [run] : [{ ...run, nodes }]
  })
  return contours.length > 0 ? { ...path, contours } : null
}

const after = ({ closed, nodes }: NodeRun, at: number): Node | undefined =>
  nodes[at + 1] ?? (closed ? nodes[0] : undefined)
const before = ({ closed, nodes }: NodeRun, at: number): Node | undefined =>
  nodes[at - 1] ?? (closed ? nodes.at(-1) : undefined)

const isDoubled = (run: NodeRun, at: number, unit: number): boolean => {
  const next = after(run, at)
  return (
    !!next && run.nodes.length > 2 && isStraight(run.nodes[at]!, next) && distance(run.nodes[at]!, next) < SAME * unit
  )
}

/** Two nodes at one place. */
export const doubledNodes: Check = {
  id: 'doubled-nodes',
  word: 'doubled nodes',
  severity: 'warning',
  find: (checked) =>
    inPaths(
      checked,
      (path, unit) => eachNode(path, (run, at) => isDoubled(run, at, unit)),
      // The later of the two stays, with the handle that enters the earlier.
      (path, faults) => {
        const handed: PathObject = {
          ...path,
          contours: path.contours.map((run, contour) => ({
            ...run,
            nodes: run.nodes.map((node, i) => {
              const k = i === 0 ? run.nodes.length - 1 : i - 1
              const last = run.nodes[k]!
              return faults.some((at) => at.contour === contour && at.node === k) && last.in
                ? { ...node, in: last.in }
                : node
            }),
          })),
        }
        return without(handed, faults)
      },
      (name, count) => `“${name}” has ${many(count, 'two nodes at one place', 'places with two nodes each')}.`,
    ),
}

const isNeedless = (run: NodeRun, at: number, unit: number): boolean => {
  const node = run.nodes[at]!,
    last = before(run, at),
    next = after(run, at)
  if (!last || !next || run.nodes.length < 3 || node.corner || node.join || node.cap) return false
  if (!isStraight(last, node) || !isStraight(node, next)) return false
  if (distance(node, next) < SAME * unit || distance(last, node) < SAME * unit) return false
  return (
    fromLine(node, last, next) < SAME * unit &&
    (node.x - last.x) * (next.x - node.x) + (node.y - last.y) * (next.y - node.y) > 0
  )
}

function fromLine(p: Point, a: Point, b: Point): number {
  const length = distance(a, b)
  return length === 0 ? distance(p, a) : Math.abs((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x)) / length
}

/** Nodes in the middle of a straight line. */
export const needlessNodes: Check = {
  id: 'needless-nodes',
  word: 'needless nodes',
  severity: 'note',
  find: (checked) =>
    inPaths(
      checked,
      (path, unit) => eachNode(path, (run, at) => isNeedless(run, at, unit)),
      without,
      (name, count) => `“${name}” has ${many(count, 'a node', 'nodes')} in the middle of a straight line.`,
    ),
}

const tiny = (handle: Point | undefined, unit: number): boolean =>
  handle !== undefined && Math.hypot(handle.x, handle.y) < SAME * unit

/** Handles of no length, which pull nothing and get in the way. */
export const zeroHandles: Check = {
  id: 'zero-handles',
  word: 'handles of no length',
  severity: 'note',
  find: (checked) => {
    const unit = checked.rules.grid.size / 24
    return inPaths(
      checked,
      (path) => eachNode(path, ({ nodes }, at) => tiny(nodes[at]!.in, unit) || tiny(nodes[at]!.out, unit)),
      (path) => ({
        ...path,
        contours: path.contours.map((run) => ({
          ...run,
          nodes: run.nodes.map((node) => {
            const { in: entering, out, ...rest } = node
            return {
              ...rest,
              ...(entering && !tiny(entering, unit) && { in: entering }),
              ...(out && !tiny(out, unit) && { out }),
            }
          }),
        })),
      }),
      (name, count) => `“${name}” has ${many(count, 'a handle', 'handles')} of no length.`,
    )
  },
}

/** Contours that have come down to one place. */
export const strayNodes: Check = {
  id: 'stray-nodes',
  word: 'stray nodes',
  severity: 'warning',
  find: (checked) =>
    inPaths(
      checked,
      (path, unit) =>
        path.contours.flatMap((run, contour) =>
          run.nodes.every((node) => distance(node, run.nodes[0]!) < SAME * unit && !node.arc && !node.in && !node.out)
            ? [{ contour, node: 0 }]
            : [],
        ),
      (path, faults) => {
        const contours = path.contours.filter((_, i) => !faults.some(({ contour }) => contour === i))
        return contours.length > 0 ? { ...path, contours } : null
      },
      (name, count) => `“${name}” has ${many(count, 'a stray node', 'stray nodes')}, which draw nothing but a dot.`,
    ),
}
