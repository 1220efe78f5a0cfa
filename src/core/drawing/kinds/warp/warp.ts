import { boxUnion } from '../../../geometry/box'
import type { Path } from '../../../geometry/path'
import type { Point } from '../../../geometry/point'
import { tidy } from '../../../geometry/tidy'
import { apply, compose, inverse } from '../../../geometry/transform'
import { carried, carriedPath } from '../../evaluate/carried'
import type { Grip, GripPull, Pulled } from '../../model/grip'
import type { Scene } from '../../evaluate/scene'
import type { Field } from '../field'
import { defineKind } from '../kind'
import { visible } from '../members'
import { together, united } from '../together'
import { type Form, Warp } from './schema'
import { asLattice, cornersOf, handlesOf, spaceOf, warping } from './space'

export type { Warp }

export const warp = defineKind<Warp>({
  kind: 'warp',
  word: 'Warp',
  schema: Warp,
  hasMembers: true,
  edge: (object, scene) => together(bent(object, scene, (member) => scene.edge(member))),
  operand: (object, scene) => united(bent(object, scene, (member) => scene.solid(member))),
  shapes(object, scene) {
    const shapes = object.members.flatMap((member) => scene.shapes(member))
    const map = warping(object)
    return map ? carried(shapes, map, 'kept', scene.tolerance) : shapes
  },
  frame: ({ members }, scene) => boxUnion(members.map((member) => scene.box(member)))!,
  isSmaller: () => true,
  transform: (object, map) => ({ ...object, space: compose(map, spaceOf(object)).map(tidy) }),
  times: () => 4,
  fields: ({ form }) => [FORM, ...(form.by === 'form' ? [AMOUNT] : form.by === 'lattice' ? [PAIRS] : [])],
  grips: (object) => warpGrips(object),
  pull: pulledWarp,
  lost: null,
  any: ({ fc, members, half }) =>
    fc.record({
      space: fc.constantFrom([24, 0, 0, 24, 0, 0], [0, 20, -16, 0, 18, 2]),
      form: fc.oneof(
        fc.record({
          by: fc.constant('form'),
          form: fc.constantFrom('bow', 'wave', 'swell', 'pinch'),
          amount: half(0, 1),
        }),
        fc.constant({
          by: 'corners',
          corners: [
            { x: 0.2, y: 0 },
            { x: 0.9, y: 0.1 },
            { x: 1, y: 1 },
            { x: 0, y: 1.2 },
          ],
        }),
        fc.constant({ by: 'lattice', handles: handlesOf({ by: 'form', form: 'swell', amount: 0.2 }), pairs: true }),
      ),
      members: members(1),
    }),
})

const bent = (object: Warp, scene: Scene, of: (member: Warp['members'][number]) => Path): Path[] => {
  const map = warping(object)
  return visible(object.members).map((member) => (map ? carriedPath(of(member), map, scene.tolerance) : of(member)))
}

/** What warps by the same handles as are shown, each of them to be pulled. */
function warpGrips(object: Warp): Grip[] {
  const { form } = object
  if (form.by === 'form') return []
  const places = form.by === 'corners' ? form.corners : form.handles
  return places.map((share, i) => ({
    id: String(i),
    at: apply(spaceOf(object), share),
    what: form.by === 'corners' ? 'corner' : 'handle',
    isPlace: true,
  }))
}

function pulledWarp(object: Warp, grip: string, to: Point, _: Scene, { alone }: GripPull): Pulled<Warp> {
  const { form } = object,
    i = Number(grip)
  const p = apply(inverse(spaceOf(object)), to)
  const share = { x: tidy(p.x), y: tidy(p.y) }
  const figure = `${Math.round(share.x * 100)} %, ${Math.round(share.y * 100)} %`
  if (form.by === 'corners')
    return {
      object: { ...object, form: { ...form, corners: form.corners.map((one, k) => (k === i ? share : one)) } },
      figure,
    }
  if (form.by !== 'lattice') return { object, figure: '' }
  // The handle of the same row on the other side, mirrored at the middle.
  const other = i - (i % 4) + (3 - (i % 4))
  const isPaired = form.pairs === true || alone
  const handles = form.handles.map((one, k) =>
    k === i ? share : isPaired && k === other ? { x: tidy(1 - share.x), y: share.y } : one,
  )
  return { object: { ...object, form: { ...form, handles } }, figure }
}

const WAYS = ['four corners', 'bow', 'S-curve', 'swell', 'pinch', 'lattice'] as const
const FORMS = { bow: 'bow', 'S-curve': 'wave', swell: 'swell', pinch: 'pinch' } as const

function wayOf(form: Form): (typeof WAYS)[number] {
  if (form.by === 'corners') return 'four corners'
  if (form.by === 'lattice') return 'lattice'
  return form.form === 'wave' ? 'S-curve' : form.form
}

const FORM: Field<Warp> = {
  id: 'form',
  what: 'the form',
  as: 'choice',
  options: WAYS,
  read: ({ form }) => wayOf(form),
  write(object, way) {
    const { form } = object
    if (way === 'four corners') return { ...object, form: { by: 'corners', corners: cornersOf(form) } }
    if (way === 'lattice') return { ...object, form: asLattice(form) }
    const amount = form.by === 'form' ? form.amount : 0.2
    return { ...object, form: { by: 'form', form: FORMS[way as keyof typeof FORMS], amount } }
  },
}

const AMOUNT: Field<Warp> = {
  id: 'amount',
  what: 'the amount',
  as: 'number',
  suffix: ' %',
  step: 5,
  limits: { least: -1000, most: 1000 },
  read: ({ form }) => (form.by === 'form' ? form.amount * 100 : 0),
  write: (object, value) =>
    object.form.by === 'form' ? { ...object, form: { ...object.form, amount: value / 100 } } : object,
}

const PAIRS: Field<Warp> = {
  id: 'handles',
  what: 'how handles move',
  as: 'choice',
  options: ['single handles', 'mirrored pairs'],
  read: ({ form }) => (form.by === 'lattice' && form.pairs ? 'mirrored pairs' : 'single handles'),
  write(object, way) {
    if (object.form.by !== 'lattice') return object
    const { pairs: _, ...form } = object.form
    return { ...object, form: way === 'mirrored pairs' ? { ...form, pairs: true } : form }
  },
}
