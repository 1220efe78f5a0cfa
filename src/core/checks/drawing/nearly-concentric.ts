import { moveObject } from '../../drawing/edit/transform-object'
import { distance } from '../../geometry/point'
import type { Check } from '../check'
import { centreOf, isNearly, isRound } from '../look/circles'
import { replacing, said, seenIn } from '../look/seen'

/** Circles that nearly share their centre. */
export const nearlyConcentric: Check = {
  id: 'nearly-concentric',
  concerns: 'slips',
  word: 'nearly concentric',
  severity: 'warning',
  find({ objects, rules }) {
    const unit = rules.grid.size / 24,
      circles = seenIn(objects).filter(isRound)
    return circles.flatMap((one, i) => {
      const centre = centreOf(one.object)
      const other = circles.slice(0, i).find(({ object }) => isNearly(distance(centreOf(object), centre), unit))
      if (!other) return []
      const to = centreOf(other.object)
      return [
        {
          sentence: `“${one.object.name}” and “${other.object.name}” are nearly concentric: ${said(distance(to, centre))} apart.`,
          objects: [one.object.id, other.object.id],
          spot: { at: centre },
          ...replacing(one, moveObject(one.object, { x: to.x - centre.x, y: to.y - centre.y })),
        },
      ]
    })
  },
}
