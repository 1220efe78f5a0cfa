import type { Point } from '../../../geometry/point'
import { apply, inverse, type Transform } from '../../../geometry/transform'
import { type Bending, cornerHandles, envelope, handlesFor } from '../../../outline/warp'
import type { Form, Warp } from './schema'

const UNIT = { x: 0, y: 0, w: 1, h: 1 }

/** The sixteen handles of a form, in shares of the space. */
export function handlesOf(form: Form): Point[] {
  switch (form.by) {
    case 'corners': {
      const [a, b, c, d] = form.corners
      return cornerHandles([a!, b!, c!, d!])
    }
    case 'form':
      return handlesFor(UNIT, form.form, form.amount)
    case 'lattice':
      return form.handles
  }
}

export const spaceOf = ({ space }: Pick<Warp, 'space'>): Transform => space as unknown as Transform

/** The map of the plane that a warp is; null where its space is flat, so that there is none. */
export function warping({ space, form }: Pick<Warp, 'space' | 'form'>): Bending | null {
  const there = space as unknown as Transform
  if (Math.abs(there[0] * there[3] - there[1] * there[2]) < 1e-12) return null
  const back = inverse(there),
    bent = envelope(UNIT, handlesOf(form))
  return (p) => apply(there, bent(apply(back, p)))
}

/** The same as all sixteen handles, each to be moved by itself. */
export const asLattice = (form: Form): Form =>
  form.by === 'lattice' ? form : { by: 'lattice', handles: handlesOf(form).map(({ x, y }) => ({ x, y })) }

/** The corners of a form, clockwise from the first. */
export function cornersOf(form: Form): Point[] {
  const handles = handlesOf(form)
  return [0, 3, 15, 12].map((i) => handles[i]!)
}
