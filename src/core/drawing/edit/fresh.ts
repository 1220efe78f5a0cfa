import type { Point } from '../../geometry/point'
import type { DrawingObject } from '../objects/object'
import type { Line as LineObject } from '../kinds/line/schema'
import type { NodeRun } from '../model/node'
import type { PathObject } from '../kinds/path/schema'
import type { Radius, Style } from '../model/style'
import type { NamedValues } from '../model/values'
import { INK } from '../model/values'

/** The style of new objects, from the rules alone. */
export function freshStyle(values: NamedValues, filled: boolean): Style {
  const weight = values.weights[0]!.name
  return filled ? { fill: INK, stroke: 'none', weight } : { fill: 'none', stroke: INK, weight }
}

/** The corner of new objects: the first radius of the rules, or none. */
export const freshCorner = (values: NamedValues): Radius => values.radii[0]?.name ?? 0

export const freshLine = (id: string, name: string, from: Point, to: Point, style: Style): LineObject => ({
  kind: 'line',
  id,
  name,
  from,
  to,
  style,
})

export const freshPath = (
  id: string,
  name: string,
  contours: NodeRun[],
  corner: Radius,
  style: Style,
  trace?: PathObject['trace'],
): PathObject => ({ kind: 'path', id, name, corner, contours, ...(trace && { trace }), style })

/** A name that no object of a drawing has yet: a word and a number. */
export function freshName(word: string, taken: Iterable<DrawingObject>): string {
  const names = new Set<string>()
  for (const { name } of taken) names.add(name)
  for (let n = 1; ; n++) if (!names.has(`${word} ${n}`)) return `${word} ${n}`
}
