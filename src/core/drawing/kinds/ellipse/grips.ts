import { distance } from '../../../geometry/point'
import { tidy } from '../../../geometry/tidy'
import { shareOf } from '../../model/frame'
import { ellipsePlace } from './outline'
import type { Ellipse } from './schema'
import type { GripsFacet } from '../facets/grips'

export const grips: GripsFacet<Ellipse> = {
  places(object) {
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
}
