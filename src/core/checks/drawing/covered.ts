import { type DrawingObject, isStyled } from '../../drawing/objects/object'
import { refusalIn } from '../../drawing/evaluate/evaluate'
import { extent } from '../../drawing/evaluate/extent'
import { area } from '../../geometry/area'
import { type Box, boxInside } from '../../geometry/box'
import { combine } from '../../planar/boolean'
import type { Check, Checked } from '../check'
import { seenIn } from '../look/seen'

/** The ink that may show beside what covers it without being seen, in squares of a unit of a 24 grid. */
const UNSEEN = 1e-3

/** Whether everything that an object paints lets nothing through. */
const isOpaque = (object: DrawingObject, { scene }: Checked): boolean =>
  (object.opacity ?? 1) === 1 &&
  scene
    .shapes(object)
    .every(
      ({ fill, stroke, effect }) =>
        !effect && [fill, stroke?.paint].every((paint) => !paint || (!('kind' in paint) && paint.opacity === 1)),
    )

/** Objects that lie wholly beneath another one. */
export const covered: Check = {
  id: 'covered',
  concerns: 'litter',
  word: 'objects beneath another',
  severity: 'warning',
  find(checked) {
    const { objects, scene, rules } = checked,
      unit = rules.grid.size / 24
    const all = seenIn(objects).filter(
      ({ object, parents }) => parents.length === 0 && isStyled(object) && !refusalIn(object, scene),
    )
    const boxes = all.map(({ object }): Box => extent(object, scene))
    return all.flatMap(({ object, isFree }, i) => {
      const inner = boxes[i]!
      const above = all.find(
        (other, k) =>
          k > i &&
          boxInside(inner, grownBy(boxes[k]!, unit)) &&
          isOpaque(other.object, checked) &&
          area(scene.ink(object)) > 0 &&
          area(
            combine([
              { path: scene.ink(object), role: 'adds' },
              { path: scene.ink(other.object), role: 'cuts' },
            ]),
          ) <
            UNSEEN * unit * unit,
      )
      if (!above) return []
      return [
        {
          sentence: `“${object.name}” lies wholly beneath “${above.object.name}”.`,
          objects: [object.id, above.object.id],
          spot: { at: { x: inner.x + inner.w / 2, y: inner.y + inner.h / 2 } },
          ...(isFree && { mend: { kind: 'remove' as const, ids: [object.id] } }),
        },
      ]
    })
  },
}

const grownBy = ({ x, y, w, h }: Box, by: number): Box => ({ x: x - by, y: y - by, w: w + 2 * by, h: h + 2 * by })
