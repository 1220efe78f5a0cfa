import { boxAround } from '../../../geometry/box'
import { polyline } from '../../../geometry/path'
import { applyTidy } from '../../../geometry/tidy'
import type { Line } from './schema'
import type { GeometryFacet } from '../facets/geometry'

export const geometry: GeometryFacet<Line> = {
  runs: ({ from, to }) => [{ closed: false, nodes: [from, to] }],
  edge: ({ from, to }) => [polyline([from, to], false)],
  frame: ({ from, to }) => boxAround([from, to])!,
  transform: (object, map) => ({ ...object, from: applyTidy(map, object.from), to: applyTidy(map, object.to) }),
  fold(object, [run, ...others]) {
    const [from, to, ...more] = run?.nodes ?? []
    if (!from || !to || more.length > 0 || others.length > 0 || run!.closed || from.out || to.in || from.arc)
      return null
    return { ...object, from: { x: from.x, y: from.y }, to: { x: to.x, y: to.y } }
  },
  lost: 'its length and angle as numbers',
}
