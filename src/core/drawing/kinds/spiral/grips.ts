import { distance, type Point } from '../../../geometry/point'
import { framePoint } from '../../model/frame'
import type { Spiral } from './schema'
import { spiralPath } from './geometry'
import type { GripsFacet } from '../facets/grips'

export const grips: GripsFacet<Spiral> = {
  places: (object) => {
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
}

/** Where it begins, in its middle; null where it has no extent. */
const start = (object: Spiral): Point | null => spiralPath(object)[0]?.segments.at(-1)?.to ?? null
