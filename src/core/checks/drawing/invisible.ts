import { extent } from '../../drawing/evaluate/extent'
import { laidNodes } from '../../drawing/objects/laid-nodes'
import { type DrawingObject, isStyled, kindOf } from '../../drawing/objects/object'
import { refusalIn } from '../../drawing/evaluate/evaluate'
import { styleOf } from '../../drawing/scene/shared-style'
import type { Check } from '../check'
import { pathBounds } from '../../geometry/path'
import { seenIn } from '../look/seen'

/** Whether all nodes that an object was laid down by lie at one place. */
function isNowhere(object: DrawingObject): boolean {
  const nodes = laidNodes(object).flatMap((run) => run.nodes)
  return (
    nodes.length > 1 &&
    nodes.every(({ x, y, in: back, out }) => x === nodes[0]!.x && y === nodes[0]!.y && !back && !out)
  )
}

/** Objects that paint nothing within the square although they are not hidden. */
export const invisible: Check = {
  id: 'invisible',
  concerns: 'litter',
  word: 'invisible objects',
  severity: 'warning',
  find: ({ objects, scene, rules }) =>
    seenIn(objects).flatMap(({ object, parents, isFree }) => {
      if (parents.some((parent) => isStyled(parent) || kindOf(parent).geometry.isMask?.(parent) !== false)) return []
      if (kindOf(object).geometry.isMask) return []
      if (refusalIn(object, scene)) return []
      const why = reason()
      if (!why) return []
      return [
        {
          sentence: `“${object.name}” is not seen: ${why}.`,
          objects: [object.id],
          ...(isFree && { mend: { kind: 'remove' as const, ids: [object.id] } }),
        },
      ]

      function reason(): string | null {
        if (object.opacity === 0) return 'its opacity is 0'
        const shapes = scene.shapes(object)
        if (isNowhere(object) && shapes.every(({ path }) => path.length === 0 || pathBounds(path)?.w === 0))
          return 'it has no length'
        if (shapes.every(({ fill, stroke }) => !fill && !stroke))
          return isStyled(object) && styleOf(object, scene).stroke !== 'none'
            ? 'its stroke is 0 wide, and it has no fill'
            : 'it has neither fill nor stroke'
        const { size } = rules.grid,
          over = size / 4
        const isNear = (value: number) => value >= -over && value <= size + over
        // Where an end of a segment is near the square there is no need to know how far the rest reaches.
        if (
          shapes.some(({ path }) =>
            path.some(({ segments }) => segments.some(({ from }) => isNear(from.x) && isNear(from.y))),
          )
        )
          return null
        const { x, y, w, h } = extent(object, scene)
        return x > size + over || y > size + over || x + w < -over || y + h < -over
          ? 'it lies outside the square'
          : null
      }
    }),
}
