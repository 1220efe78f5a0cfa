import { moveObject } from '../../drawing/objects/transform-object'
import { distance } from '../../geometry/point'
import type { Check } from '../check'
import { centreOf, isNearly, isRound } from '../look/circles'
import { replacing, said, seenIn } from '../look/seen'
import { SAME } from '../look/tolerance'

/** Circles that nearly touch each other, from without or within. */
export const nearlyTangent: Check = {
  id: 'nearly-tangent',
  concerns: 'slips',
  word: 'nearly tangent',
  severity: 'warning',
  find({ objects, rules }) {
    const unit = rules.grid.size / 24,
      circles = seenIn(objects).filter(isRound)
    return circles.flatMap((one, i) =>
      circles.slice(0, i).flatMap((other) => {
        const a = centreOf(one.object),
          b = centreOf(other.object),
          [r, s] = [one.object.w / 2, other.object.w / 2],
          away = distance(a, b)
        const meant = [r + s, Math.abs(r - s)].find(
          (wanted) => wanted > unit && isNearly(Math.abs(away - wanted), unit),
        )
        if (meant === undefined || away < SAME * unit) return []
        const k = (meant - away) / away
        return [
          {
            sentence: `“${one.object.name}” and “${other.object.name}” nearly touch: off by ${said(Math.abs(away - meant))}.`,
            objects: [one.object.id, other.object.id],
            spot: { at: { x: b.x + ((a.x - b.x) / away) * s, y: b.y + ((a.y - b.y) / away) * s } },
            ...replacing(one, moveObject(one.object, { x: (a.x - b.x) * k, y: (a.y - b.y) * k })),
          },
        ]
      }),
    )
  },
}
