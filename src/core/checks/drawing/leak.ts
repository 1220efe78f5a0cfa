import { editable } from '../../drawing/edit/editable'
import { closeContour } from '../../drawing/edit/contour-edit'
import { distance } from '../../geometry/point'
import { LEAK } from '../../geometry/tolerance'
import type { Check } from '../check'
import { replacing, said, seenIn } from '../look/seen'
import { SAME } from '../look/tolerance'
import { kindOf } from '../../drawing/objects/object'
import { styleOf } from '../../drawing/scene/shared-style'

/** Open contours whose ends nearly meet. */
export const leak: Check = {
  id: 'leak',
  concerns: 'slips',
  remakes: 'contours',
  word: 'outlines that nearly close',
  severity: 'warning',
  find: ({ objects, rules, scene }) =>
    seenIn(objects).flatMap((one) => {
      const { object } = one
      const path = kindOf(object).geometry.runs ? editable(object, scene) : null
      if (!path || styleOf(path, scene).dash) return []
      return path.contours.flatMap(({ closed, nodes }, contour) => {
        const first = nodes[0]!,
          last = nodes.at(-1)!,
          gap = distance(first, last)
        if (closed || nodes.length < 3 || gap > (LEAK * rules.grid.size) / 24) return []
        return [
          {
            sentence:
              gap < SAME
                ? `“${object.name}” is not closed: its ends lie on each other and are not joined.`
                : `“${object.name}” nearly closes: its ends are ${said(gap)} apart.`,
            objects: [object.id],
            spot: { at: { x: first.x, y: first.y }, to: { x: last.x, y: last.y } },
            ...replacing(one, closeContour(path, contour)),
          },
        ]
      })
    }),
}
