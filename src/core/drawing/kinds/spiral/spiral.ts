import { z } from 'zod'
import { ellipseAxes } from '../../../geometry/arc'
import type { Path } from '../../../geometry/path'
import { distance, type Point } from '../../../geometry/point'
import type { Arc } from '../../../geometry/segment'
import { cosSin } from '../../../geometry/transform'
import { framePoint, scaledAxes } from '../../model/frame'
import { Finish } from '../../model/style'
import { share } from '../field'
import { defineKind } from '../kind'
import { common, framed } from '../traits'

/**
 * A spiral of quarter circles, each larger than the one before by as much, out to the frame's right; `inner` is the
 * first radius as a share of the last. With `flip` it is turned over from left to right.
 */
const Spiral = z.strictObject({
  kind: z.literal('spiral'),
  ...common,
  ...framed,
  turns: z.number().min(0.25).max(50),
  inner: z.number().min(0).max(0.99),
  flip: z.literal(true).optional(),
  style: Finish,
})
export type Spiral = z.infer<typeof Spiral>

export const spiral = defineKind<Spiral>({
  kind: 'spiral',
  word: 'Spiral',
  schema: Spiral,
  edge: spiralPath,
  isSmaller: () => true,
  turnedOver({ flip, ...rest }) {
    return flip ? rest : { ...rest, flip: true }
  },
  segments: ({ turns }) => Math.ceil(4 * turns),
  length: ({ w, h, turns, skew = 0 }) => 2 * (w + h) * (1 + Math.abs(Math.tan((skew * Math.PI) / 180))) * turns,
  fields: () => [
    {
      id: 'turns',
      what: 'the turns',
      as: 'number',
      suffix: ' turns',
      step: 0.25,
      limits: { least: 0.25, most: 50 },
      read: ({ turns }) => turns,
      write: (object, turns) => ({ ...object, turns }),
    },
    share('inner', 'inner', { least: 0, most: 99 }),
  ],
  grips: (object) => {
    const at = start(object)
    return at ? [{ id: 'inner', at, what: 'first radius' }] : []
  },
  pull(object, _, to) {
    // The end is that of the last quarter circle. It moves outwards with the first radius, which is found by bisection.
    const centre = framePoint(object, { x: 0.5, y: 0.5 })
    const reach = (inner: number) => distance(start({ ...object, inner }) ?? centre, centre)
    const far = distance(to, centre)
    let lo = 0,
      hi = 0.99
    for (let i = 0; i < 30; i++) {
      const middle = (lo + hi) / 2
      if (reach(middle) < far) lo = middle
      else hi = middle
    }
    const inner = Math.min(0.99, Math.round(lo * 100) / 100)
    return { object: { ...object, inner }, figure: `${Math.round(inner * 100)} % inner` }
  },
  lost: 'its turns as a number',
  any: ({ fc, frame, plainStyle }) =>
    fc
      .tuple(
        frame,
        fc.constantFrom({ turns: 0.5, inner: 0 }, { turns: 2, inner: 0.2 }, { turns: 3.25, inner: 0.2, flip: true }),
        plainStyle,
      )
      .map(([box, own, style]) => ({ ...box, ...own, style })),
})

/** Where it begins, in its middle; null where it has no extent. */
const start = (object: Spiral): Point | null => spiralPath(object)[0]?.segments.at(-1)?.to ?? null

/**
 * The quarter circles of a spiral in the axes of its frame; ellipses if that is not square. Each centre is on the
 * radius at the joint.
 */
function spiralPath(object: Spiral): Path {
  const quarters = Math.max(1, Math.round(object.turns * 4)),
    { inner, flip } = object
  // Outwards in: from the right, radius 1, anticlockwise on screen.
  const by = (1 - inner) / quarters
  let centre = { x: 0, y: 0 },
    radius = 1
  const place = (p: Point) => framePoint(object, { x: 0.5 + (flip ? -p.x : p.x) / 2, y: 0.5 + p.y / 2 })
  const segments: Arc[] = []
  for (let i = 0; i < quarters; i++) {
    const a = cosSin(-90 * i),
      b = cosSin(-90 * (i + 1))
    const from = place({ x: centre.x + radius * a.cos, y: centre.y + radius * a.sin }),
      to = place({ x: centre.x + radius * b.cos, y: centre.y + radius * b.sin })
    const { u, v } = scaledAxes(object, radius)
    segments.push({ kind: 'arc', ...ellipseAxes(u.x, u.y, v.x, v.y), large: false, sweep: flip === true, from, to })
    const next = radius - by
    centre = { x: centre.x + (radius - next) * b.cos, y: centre.y + (radius - next) * b.sin }
    radius = next
  }
  return [{ segments: segments.filter(({ rx, ry }) => rx > 0 && ry > 0), closed: false }]
}
