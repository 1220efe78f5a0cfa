import { distance, subtract } from '../../geometry/point'
import type { Check } from '../check'
import { circularIn, isNearly } from '../look/circles'
import { replacing, said } from '../look/seen'

/** Middles of arcs nearer than this, in units of a 24 grid, are one: ends written with two digits bring about as much. */
const ONE_MIDDLE = 0.02

/** Circles, and arcs of paths, that nearly share their centre. */
export const nearlyConcentric: Check = {
  id: 'nearly-concentric',
  concerns: 'slips',
  word: 'nearly concentric',
  severity: 'warning',
  find({ objects, rules }) {
    const unit = rules.grid.size / 24,
      circles = circularIn(objects, unit)
    return circles.flatMap(({ seen, centre, run, moved }, i) => {
      const other = circles.slice(0, i).find((one) => {
        const away = distance(one.centre, centre),
          isArc = [one, circles[i]!].some((each) => each.run !== each.seen.object)
        return one.run !== run && isNearly(away, unit) && (!isArc || away > ONE_MIDDLE * unit)
      })
      if (!other) return []
      const next = moved(subtract(other.centre, centre)),
        away = said(distance(other.centre, centre))
      const { id, name } = seen.object,
        beside = other.seen.object
      return [
        {
          sentence:
            id === beside.id
              ? `Two arcs of “${name}” are nearly concentric: ${away} apart.`
              : `“${name}” and “${beside.name}” are nearly concentric: ${away} apart.`,
          objects: id === beside.id ? [id] : [id, beside.id],
          spot: { at: centre },
          ...(next && replacing(seen, next)),
        },
      ]
    })
  },
}
