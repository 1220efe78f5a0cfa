import type { Point } from '../../../geometry/point'
import { tidy } from '../../../geometry/tidy'
import { apply, inverse } from '../../../geometry/transform'
import type { Grip, GripPull, Pulled } from '../../scene/grip'
import type { Scene } from '../../scene/scene'
import { type Warp } from './schema'
import { spaceOf } from './space'
import type { GripsFacet } from '../facets/grips'

export const grips: GripsFacet<Warp> = {
  places: (object) => warpGrips(object),
  pull: pulledWarp,
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
