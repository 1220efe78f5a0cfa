import { tidy } from '../../../geometry/tidy'
import type { Mirror } from './schema'
import type { GripsFacet } from '../facets/grips'

export const grips: GripsFacet<Mirror> = {
  places: ({ at }) => [{ id: 'at', at, what: 'centre', isPlace: true }],
  pull(object, _, to, __, { step }) {
    const on = (value: number) => (step === null ? tidy(value) : Math.round(value / step) * step)
    const at = { x: on(to.x), y: on(to.y) }
    return { object: { ...object, at }, figure: `about ${at.x}, ${at.y}` }
  },
}
