import { boxUnion } from '../../../geometry/box'
import { pathBounds } from '../../../geometry/path'
import type { Transform } from '../../../geometry/transform'
import { countsByPlace, movedSignatures } from '../../model/signature'
import type { Shape } from '../../evaluate/shape'
import { underlapped } from '../../evaluate/underlap'
import { defineKind } from '../kind'
import type { Thing } from '../traits'
import { united } from '../together'
import { patchworkFields } from './fields'
import { Patchwork } from './schema'
import { lostPatches, remarked, sweptPaths } from './swept'

export type { Patchwork }

export const patchwork = defineKind<Patchwork>({
  kind: 'patchwork',
  word: 'Patchwork',
  schema: Patchwork,
  hasMembers: true,
  edge: (object, scene) => united(sweptPaths(object, scene)),
  operand: (object, scene) => scene.edge(object),
  shapes(object, scene) {
    const paths = sweptPaths(object, scene)
    const shapes = object.swept.flatMap((one, i): readonly Shape[] =>
      scene.painted({ ...object, style: one.style, name: one.name } as Thing, paths[i]!),
    )
    return object.underlap ? underlapped(shapes, object.underlap) : shapes
  },
  frame: (object, scene) =>
    pathBounds(scene.edge(object)) ?? boxUnion(object.members.map((member) => scene.box(member)))!,
  transform: moved,
  withSignatures: remarked,
  withStyles(object, change) {
    let same = true
    const swept = object.swept.map((one) => {
      const style = change(one.style)
      if (style === one.style) return one
      same = false
      return { ...one, style }
    })
    return same ? object : { ...object, swept }
  },
  segments: () => 0,
  fields: patchworkFields,
  summary(object, scene) {
    const lost = lostPatches(object, scene).length
    const many = object.swept.length
    return `${many} ${many === 1 ? 'shape' : 'shapes'}${lost > 0 ? `, ${lost} lost` : ''}`
  },
  lost: null,
  any: ({ fc, members, plainStyle }) =>
    fc.record(
      {
        take: fc.constant('ink'),
        swept: fc
          .tuple(plainStyle, fc.constantFrom('rec-1/0/0+', 'ell-2/0/0- rec-1/0/1+ #0'))
          .map(([style, key]) => [{ id: 'one', name: 'One', patches: [{ key, at: { x: 400, y: 400 } }], style }]),
        close: fc.constant(0.5),
        members: members(2),
      },
      { requiredKeys: ['swept', 'members'] },
    ),
})

/** A patchwork with its marks where a map takes them. */
function moved({ byPlace: before, ...object }: Patchwork, map: Transform): Patchwork {
  const byPlace = countsByPlace(before, map)
  return {
    ...object,
    swept: object.swept.map((shape) => ({ ...shape, patches: movedSignatures(shape.patches, map) })),
    ...(object.cut && { cut: movedSignatures(object.cut, map) }),
    ...(byPlace && { byPlace }),
  }
}
