import { editable } from '../../drawing/edit/editable'
import type { Node, NodeRun } from '../../drawing/model/node'
import { type DrawingObject, type OfKind, kindOf } from '../../drawing/objects/object'
import type { Checked } from '../check'
import type { Found } from '../snag'
import { replacing, seenIn } from './seen'

export type PathObject = OfKind<'path'>
export type At = { readonly contour: number; readonly node: number }

/** One finding for each path with faulty nodes. It marks the first of them and mends all. */
export function inPaths(
  { objects, rules, scene }: Checked,
  faults: (path: PathObject, unit: number) => readonly At[],
  mended: (path: PathObject, faults: readonly At[]) => DrawingObject | null,
  sentence: (name: string, count: number) => string,
): Found[] {
  return seenIn(objects).flatMap((one): Found[] => {
    const { object } = one
    const path = kindOf(object).geometry.runs ? editable(object, scene) : null
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

export const eachNode = (path: PathObject, is: (run: NodeRun, at: number) => boolean): At[] =>
  path.contours.flatMap((run, contour) => run.nodes.flatMap((_, node) => (is(run, node) ? [{ contour, node }] : [])))

export const many = (count: number, one: string, more: string): string => (count === 1 ? one : `${count} ${more}`)

/** A path without some of its nodes. Contours left with fewer than two nodes go; null where no contour is left. */
export function without(path: PathObject, gone: readonly At[]): PathObject | null {
  const contours = path.contours.flatMap((run, contour) => {
    const nodes = run.nodes.filter((_, node) => !gone.some((at) => at.contour === contour && at.node === node))
    return nodes.length < 2 ? [] : nodes.length === run.nodes.length ? [run] : [{ ...run, nodes }]
  })
  return contours.length > 0 ? { ...path, contours } : null
}

export const after = ({ closed, nodes }: NodeRun, at: number): Node | undefined =>
  nodes[at + 1] ?? (closed ? nodes[0] : undefined)
export const before = ({ closed, nodes }: NodeRun, at: number): Node | undefined =>
  nodes[at - 1] ?? (closed ? nodes.at(-1) : undefined)
