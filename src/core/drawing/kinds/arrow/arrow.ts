import { z } from 'zod'
import { polyline } from '../../../geometry/path'
import type { Point } from '../../../geometry/point'
import { cornerOf, finished } from '../../evaluate/corners'
import { framePoint, shareOf } from '../../model/frame'
import { hundredths } from '../../model/grip'
import { nodesOf } from '../../model/nodes'
import { Finish } from '../../model/style'
import { share } from '../field'
import { defineKind } from '../kind'
import { common, cornered, framed } from '../traits'

/**
 * An arrow to the right in its frame, or to the left (`back`): `head` and `shaft` are shares of its length and of its
 * height.
 */
const Arrow = z.strictObject({
  kind: z.literal('arrow'),
  ...common,
  ...framed,
  head: z.number().min(0.01).max(1),
  shaft: z.number().min(0.01).max(1),
  back: z.literal(true).optional(),
  ...cornered,
  style: Finish,
})
export type Arrow = z.infer<typeof Arrow>

export const arrow = defineKind<Arrow>({
  kind: 'arrow',
  word: 'Arrow',
  schema: Arrow,
  edge: (object, scene) => finished([polyline(places(object), true)], () => cornerOf(object, scene)),
  turnedOver({ back, ...rest }) {
    return back ? rest : { ...rest, back: true }
  },
  segments: () => 14,
  fields: () => [share('head', 'head', { least: 1, most: 100 }), share('shaft', 'shaft', { least: 1, most: 100 })],
  grips: (object) => {
    const { head, shaft, back } = object
    return [
      { id: 'neck', at: framePoint(object, { x: back ? head : 1 - head, y: (1 - shaft) / 2 }), what: 'head and shaft' },
    ]
  },
  pull(object, _, to) {
    const p = shareOf(object, to),
      along = (object.back ? -p.x : p.x) / 2 + 0.5
    const head = hundredths(1 - along),
      shaft = hundredths(Math.abs(p.y))
    return {
      object: { ...object, head, shaft },
      figure: `${Math.round(head * 100)} % head, ${Math.round(shaft * 100)} % shaft`,
    }
  },
  // Its corners before they are finished.
  nodes: (object, scene) =>
    finished([polyline(places(object), true)], () => cornerOf(object, scene, 0)).map((contour) => nodesOf(contour)),
  lost: 'head and shaft as numbers',
  any: ({ fc, frame, corner, plainStyle }) =>
    fc
      .tuple(
        frame,
        corner,
        fc.constantFrom({ head: 0.3, shaft: 0.6 }, { head: 0.5, shaft: 0.3 }, { head: 0.4, shaft: 0.4, back: true }),
        plainStyle,
      )
      .map(([box, own, shares, style]) => ({ ...box, ...own, ...shares, style })),
})

/** Shaft and head, from the tail's upper corner clockwise. */
function places(object: Arrow): Point[] {
  const { head, shaft, back } = object
  const neck = 1 - head,
    top = (1 - shaft) / 2,
    low = (1 + shaft) / 2
  const shares: [number, number][] = [
    [0, top],
    [neck, top],
    [neck, 0],
    [1, 0.5],
    [neck, 1],
    [neck, low],
    [0, low],
  ]
  return shares.map(([x, y]) => framePoint(object, { x: back ? 1 - x : x, y }))
}
