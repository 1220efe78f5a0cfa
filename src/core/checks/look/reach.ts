import type { Box } from '../../geometry/box'
import { transformObject } from '../../drawing/objects/transform-object'
import { kindOf } from '../../drawing/objects/object'
import type { Point } from '../../geometry/point'
import type { Transform } from '../../geometry/transform'
import type { Checked } from '../check'
import type { Found } from '../snag'

/** The drawing scaled about the centre of the square, unless an object is locked. */
export function scaled({ objects, rules }: Checked, by: number): Pick<Found, 'mend'> {
  const c = rules.grid.size / 2
  if (objects.some(({ locked }) => locked)) return {}
  return {
    mend: {
      kind: 'replace',
      objects: objects.map((object) => transformObject(object, scaledAbout({ x: c, y: c }, by))),
    },
  }
}

/** The map that scales about a place. */
export const scaledAbout = ({ x, y }: Point, by: number): Transform => [by, 0, 0, by, x * (1 - by), y * (1 - by)]

/** Whether a drawing has a ground that fills the square. Its other objects are then measured by other rules. */
export const hasPlate = ({ objects }: Checked): boolean => objects.some((object) => kindOf(object).stands === 'ground')

/** How far a box reaches from the middle of the square. */
export const reachOf = ({ x, y, w, h }: Box, c: number): number => Math.max(c - x, x + w - c, c - y, y + h - c)

/** The middle of the side of a box that is farthest from the middle of the square. */
export function furthest({ x, y, w, h }: Box, c: number): { at: { x: number; y: number } } {
  const sides = [
    { away: c - x, at: { x, y: y + h / 2 } },
    { away: x + w - c, at: { x: x + w, y: y + h / 2 } },
    { away: c - y, at: { x: x + w / 2, y } },
    { away: y + h - c, at: { x: x + w / 2, y: y + h } },
  ]
  return { at: sides.reduce((best, one) => (one.away > best.away ? one : best)).at }
}
