import { distance } from '../../../geometry/point'
import { tidy } from '../../../geometry/tidy'
import type { Line } from './schema'
import type { LedgerFacet } from '../facets/ledger'

export const ledger: LedgerFacet<Line> = {
  fields: () => [
    {
      id: 'length',
      what: 'the length',
      as: 'number',
      limits: { least: 0, above: true, most: 1e6 },
      read: (object) => distance(object.from, object.to),
      write: (object, length) => along(object, length, angleOf(object)),
    },
    {
      id: 'angle',
      what: 'the angle',
      as: 'number',
      suffix: '°',
      step: 1,
      read: angleOf,
      write: (object, angle) => along(object, distance(object.from, object.to), angle),
    },
  ],
}

/** Degrees, anticlockwise from the right. */
function angleOf({ from, to }: Line): number {
  return (Math.atan2(from.y - to.y, to.x - from.x) * 180) / Math.PI + 0
}

/** The line with another length and angle; its first end stays. */
function along(object: Line, length: number, angle: number): Line {
  const { from } = object,
    radians = (angle * Math.PI) / 180
  return {
    ...object,
    to: { x: tidy(from.x + length * Math.cos(radians)), y: tidy(from.y - length * Math.sin(radians)) },
  }
}
