import type { Box } from '../../geometry/box'
import { transformObject } from '../../drawing/objects/transform-object'
import { kindOf } from '../../drawing/objects/object'
import type { Checked } from '../check'
import type { Found } from '../snag'
import { broughtWithin } from './within'

/** The offer to scale objects about the centre of the square; none where one is locked. */
export function scaled({ objects, rules }: Checked, by: number, which = objects): Pick<Found, 'offer'> {
  const at = (rules.grid.size / 2) * (1 - by)
  if (which.some(({ locked }) => locked)) return {}
  return {
    offer: {
      word: `scale to ${Math.round(1000 * by) / 10} %`,
      edit: { kind: 'replace', objects: which.map((object) => transformObject(object, [by, 0, 0, by, at, at])) },
    },
  }
}

/** The edit that brings the drawing inside a square about the middle, by whole steps; none where no such edit will do. */
export function drawnIn(checked: Checked, side: number, slack: number): Pick<Found, 'mend'> {
  const at = (checked.rules.grid.size - side) / 2
  const objects = broughtWithin(checked, { x: at, y: at, w: side, h: side }, slack)
  return objects ? { mend: { kind: 'replace', objects } } : {}
}

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
