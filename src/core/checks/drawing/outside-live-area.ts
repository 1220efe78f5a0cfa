import type { Box } from '../../geometry/box'
import { pathBounds } from '../../geometry/path'
import type { Check } from '../check'
import { shownInk } from '../look/ink'
import { hasPlate, scaled } from '../look/reach'
import { said } from '../look/seen'
import { OVER } from '../look/tolerance'

/** How far a box reaches from the middle of the square. */
const reachOf = ({ x, y, w, h }: Box, c: number): number => Math.max(c - x, x + w - c, c - y, y + h - c)

/** Ink beyond the live area. */
export const outsideLiveArea: Check = {
  id: 'outside-live-area',
  concerns: 'size',
  isLoss: true,
  isSeen: true,
  word: 'outside the live area',
  severity: 'warning',
  find(checked) {
    const { rules } = checked,
      { size } = rules.grid
    const box = pathBounds(shownInk(checked))
    const over = box ? reachOf(box, size / 2) - rules.liveArea / 2 : 0
    if (!box || over <= (OVER * size) / 24 || hasPlate(checked)) return []
    return [
      {
        sentence: `The drawing passes the live area by ${said(over)}.`,
        objects: [],
        spot: furthest(box, size / 2),
        ...scaled(checked, rules.liveArea / 2 / (rules.liveArea / 2 + over)),
      },
    ]
  },
}

function furthest({ x, y, w, h }: Box, c: number): { at: { x: number; y: number } } {
  const sides = [
    { away: c - x, at: { x, y: y + h / 2 } },
    { away: x + w - c, at: { x: x + w, y: y + h / 2 } },
    { away: c - y, at: { x: x + w / 2, y } },
    { away: y + h - c, at: { x: x + w / 2, y: y + h } },
  ]
  return { at: sides.reduce((best, one) => (one.away > best.away ? one : best)).at }
}
