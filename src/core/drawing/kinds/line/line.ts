import { z } from 'zod'
import { boxAround } from '../../../geometry/box'
import { polyline } from '../../../geometry/path'
import { distance } from '../../../geometry/point'
import { applyTidy, tidy } from '../../../geometry/tidy'
import { fittedPlace } from '../../edit/fitting'
import { PointXY } from '../../model/place'
import { Finish } from '../../model/style'
import { defineKind } from '../kind'
import { common } from '../traits'

const Line = z.strictObject({ kind: z.literal('line'), ...common, from: PointXY, to: PointXY, style: Finish })
export type Line = z.infer<typeof Line>

export const line = defineKind<Line>({
  kind: 'line',
  word: 'Line',
  schema: Line,
  runs: ({ from, to }) => [{ closed: false, nodes: [from, to] }],
  edge: ({ from, to }) => [polyline([from, to], false)],
  frame: ({ from, to }) => boxAround([from, to])!,
  transform: (object, map) => ({ ...object, from: applyTidy(map, object.from), to: applyTidy(map, object.to) }),
  fit: (object, by) => ({ ...object, from: fittedPlace(object.from, by), to: fittedPlace(object.to, by) }),
  segments: () => 1,
  length: ({ from, to }) => distance(from, to),
  ends: ({ from, to }) => [from, to],
  withEnd: (object, end, to) => ({ ...object, [end === 0 ? 'from' : 'to']: to }),
  fields: () => [
    {
      id: 'length',
      what: 'the length',
      as: 'number',
      limits: { least: 0, above: true, most: 1e6 },
      read: (object) => distance(object.from, object.to),
      write: (object, length) => along(object, length, angleOf(object)),
    },
    {
      id: 'angle',
      what: 'the angle',
      as: 'number',
      suffix: '°',
      step: 1,
      read: angleOf,
      write: (object, angle) => along(object, distance(object.from, object.to), angle),
    },
  ],
  fold(object, [run, ...others]) {
    const [from, to, ...more] = run?.nodes ?? []
    if (!from || !to || more.length > 0 || others.length > 0 || run!.closed || from.out || to.in || from.arc)
      return null
    return { ...object, from: { x: from.x, y: from.y }, to: { x: to.x, y: to.y } }
  },
  lost: 'its length and angle as numbers',
  any: ({ fc, place, style }) => fc.record({ from: place, to: place, style }),
})

/** Degrees, anticlockwise from the right. */
function angleOf({ from, to }: Line): number {
  return (Math.atan2(from.y - to.y, to.x - from.x) * 180) / Math.PI + 0
}

/** The line with another length and angle; its first end stays. */
function along(object: Line, length: number, angle: number): Line {
  const { from } = object,
    radians = (angle * Math.PI) / 180
  return {
    ...object,
    to: { x: tidy(from.x + length * Math.cos(radians)), y: tidy(from.y - length * Math.sin(radians)) },
  }
}
