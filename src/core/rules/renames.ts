import { mapObjects } from '../drawing/tree'
import { type DrawingObject, isStyled, type Node } from '../drawing/object'
import { isGradient, type Paint } from '../drawing/paint'
import { withPaints } from '../drawing/style'
import type { Rules } from './rules'

/** The lists of named values a drawing can refer to, by the kind of reference. */
export const LISTS = { weight: 'weights', radius: 'radii', swatch: 'palette', gradient: 'gradients' } as const

export type ValueKind = keyof typeof LISTS

/** A named value that goes by another name from now on. */
export type Rename = { readonly kind: ValueKind; readonly from: string; readonly to: string }

/** The drawing with its references renamed, all at once, so that two names may be exchanged. */
export function renameValues(objects: readonly DrawingObject[], renames: readonly Rename[]): DrawingObject[] {
  const to = new Map(renames.map(({ kind, from, to }) => [`${kind} ${from}`, to]))
  if (to.size === 0) return objects as DrawingObject[]
  const renamed = <T>(kind: ValueKind, value: T): T => (to.get(`${kind} ${value}`) as T | undefined) ?? value
  const repainted = (paint: Paint): Paint => {
    if (!isGradient(paint)) return renamed('swatch', paint)
    if (typeof paint.stops === 'string') return { ...paint, stops: renamed('gradient', paint.stops) }
    return { ...paint, stops: paint.stops.map((stop) => ({ ...stop, color: renamed('swatch', stop.color) })) }
  }
  return mapObjects(objects, (object) => {
    if (!isStyled(object)) return object
    const { style } = object
    const painted = {
      ...object,
      style: { ...withPaints(style, repainted), weight: renamed('weight', style.weight) },
    }
    if (painted.kind === 'rectangle')
      return {
        ...painted,
        corner: renamed('radius', painted.corner),
        ...(painted.corners && { corners: painted.corners.map((corner) => renamed('radius', corner)) }),
      }
    const inNodes = (nodes: readonly Node[]): Node[] =>
      nodes.map((node) => (node.corner === undefined ? node : { ...node, corner: renamed('radius', node.corner) }))
    if (painted.kind === 'polygon')
      return {
        ...painted,
        corner: renamed('radius', painted.corner),
        ...(painted.side && { side: { ...painted.side, nodes: inNodes(painted.side.nodes) } }),
      }
    if (painted.kind === 'arrow') return { ...painted, corner: renamed('radius', painted.corner) }
    if (painted.kind !== 'path') return painted
    const contours = painted.contours.map((run) => ({ ...run, nodes: inNodes(run.nodes) }))
    return { ...painted, corner: renamed('radius', painted.corner), contours }
  })
}

/** True when the rules have a value of that kind and name. */
export const hasValue = (rules: Rules, kind: ValueKind, name: string): boolean =>
  (rules[LISTS[kind]] ?? []).some((value) => value.name === name)
