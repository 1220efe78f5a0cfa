import { z } from 'zod'
import { distance } from '../../../geometry/point'
import { tidy } from '../../../geometry/tidy'
import { fittedFrame } from '../../edit/fitting'
import { shareOf } from '../../model/frame'
import { nodesOf } from '../../model/nodes'
import { Finish } from '../../model/style'
import type { Field } from '../field'
import { defineKind } from '../kind'
import { common, Degrees, framed } from '../traits'
import { ellipsePath, ellipsePlace } from './outline'

/**
 * An ellipse; with `from` and `to` (degrees, anticlockwise from the right) the part between them, cut to the centre
 * (`pie`), straight across (`chord`) or left open (`open`); with `hole`, a share of its size, a ring.
 */
const Ellipse = z.strictObject({
  kind: z.literal('ellipse'),
  ...common,
  ...framed,
  from: Degrees.optional(),
  to: Degrees.optional(),
  cut: z.enum(['pie', 'chord', 'open']).optional(),
  hole: z.number().gt(0).lt(1).optional(),
  style: Finish,
})
export type Ellipse = z.infer<typeof Ellipse>

const TURN = { least: -360, most: 360 } as const
const isPart = ({ from, to }: Ellipse): boolean => from !== undefined && to !== undefined

export const ellipse = defineKind<Ellipse>({
  kind: 'ellipse',
  word: 'Ellipse',
  schema: Ellipse,
  fills: 'ellipse',
  edge: ellipsePath,
  isSmaller: isPart,
  fit: fittedFrame,
  turnedOver: (object) =>
    object.from !== undefined && object.to !== undefined
      ? { ...object, from: upright(180 - object.to), to: upright(180 - object.from) }
      : object,
  segments: ({ hole }) => (hole ? 8 : 4),
  fields: (object) => [
    {
      id: 'part',
      what: 'the part',
      as: 'choice',
      options: ['whole', 'pie', 'chord', 'open'],
      read: (one) => (isPart(one) ? (one.cut ?? 'pie') : 'whole'),
      write: (one, cut) => withPart(one, { cut: cut as Part['cut'] }),
    },
    ...(isPart(object) ? [angle('from', 'the start'), angle('to', 'the end')] : [HOLE]),
  ],
  grips(object) {
    const hole = object.hole ? [{ id: 'hole', at: ellipsePlace(object, 225, object.hole), what: 'hole' }] : []
    if (object.from === undefined || object.to === undefined) return hole
    return [
      { id: 'from', at: ellipsePlace(object, object.from), what: 'start' },
      { id: 'to', at: ellipsePlace(object, object.to), what: 'end' },
      ...hole,
    ]
  },
  pull(object, grip, to, _, { step, alone }) {
    const p = shareOf(object, to)
    if (grip === 'hole') {
      const hole = Math.max(0.01, Math.min(0.99, Math.round(distance({ x: 0, y: 0 }, p) * 100) / 100))
      return { object: { ...object, hole }, figure: `${Math.round(hole * 100)} % hole` }
    }
    // Of all equal angles, the one nearest to the old value.
    const seen = (Math.atan2(-p.y, p.x) * 180) / Math.PI,
      was = (grip === 'from' ? object.from : object.to) ?? 0
    const near = seen + 360 * Math.round((was - seen) / 360),
      raw = near > 360 ? near - 360 : near < -360 ? near + 360 : near,
      by = alone ? 15 : step === null ? 0.1 : 1
    const degrees = tidy(Math.round(raw / by) * by) + 0
    return { object: { ...object, [grip]: degrees }, figure: `${Math.round(degrees * 10) / 10}°` }
  },
  nodes: (object) => ellipsePath(object).map((contour) => nodesOf(contour)),
  lost: 'its diameters and angles as numbers',
  any: ({ fc, frame, style }) =>
    fc
      .tuple(
        frame,
        fc.constantFrom(
          {},
          { hole: 0.5 },
          { from: 20, to: 250, cut: 'pie' },
          { from: 0, to: 180, cut: 'open' },
          { from: 90, to: 200, cut: 'chord' },
          { from: 10, to: 100, hole: 0.4 },
        ),
        style,
      )
      .map(([box, part, finish]) => ({ ...box, ...part, style: finish })),
})

const HOLE: Field<Ellipse> = {
  id: 'hole',
  what: 'the hole',
  as: 'number',
  suffix: ' % hole',
  step: 1,
  limits: { least: 0, most: 99 },
  read: ({ hole = 0 }) => hole * 100,
  write: (object, value) => withPart(object, { hole: value / 100 }),
}

const angle = (key: 'from' | 'to', what: string): Field<Ellipse> => ({
  id: key,
  what,
  as: 'number',
  suffix: '°',
  step: 1,
  limits: TURN,
  read: (object) => object[key] ?? 0,
  write: (object, value) => withPart(object, { [key]: value }),
})

type Part = { cut?: 'whole' | 'pie' | 'chord' | 'open'; from?: number; to?: number; hole?: number }

/** An ellipse with another part: its cut, its start and end angle (degrees), and its hole (a share). */
export function withPart(object: Ellipse, change: Part): Ellipse {
  const { from = 0, to = 270, cut, hole, ...rest } = { ...object, ...change }
  const kept: Ellipse = { ...rest, ...(hole && { hole }) } as Ellipse
  const part = change.cut ? change.cut !== 'whole' : object.from !== undefined
  return part ? { ...kept, from, to, cut: cut === undefined || cut === 'whole' ? 'pie' : cut } : kept
}

/** An angle in degrees between -180 and 360. */
const upright = (degrees: number): number => (degrees < -180 ? degrees + 360 : degrees > 360 ? degrees - 360 : degrees)
