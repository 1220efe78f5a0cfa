import type { Box } from '@/core/geometry/box'
import { freshCorner, freshEllipse, freshPolygon, freshRectangle, freshStyle } from '@/core/drawing/fresh'
import type { Frame } from '@/core/drawing/frame'
import type { DrawingObject } from '@/core/drawing/object'
import type { Bench } from '../bench'
import { isFilledSet } from './fresh-style'

/** What a tool that draws in a box draws. */
export type BoxShape = 'rectangle' | 'ellipse' | 'polygon' | 'star' | 'arrow' | 'spiral'

/** What each is called. */
export const BOX_NAMES: Record<BoxShape, string> = {
  rectangle: 'Rectangle',
  ellipse: 'Ellipse',
  polygon: 'Polygon',
  star: 'Star',
  arrow: 'Arrow',
  spiral: 'Spiral',
}

/** How deep the sides of a new star are drawn in. */
const DEPTH = 0.5

/** A new shape in a frame, from the rules and the settings of its tool. */
export function freshShape(bench: Bench, shape: BoxShape, id: string, name: string, frame: Frame & Box): DrawingObject {
  const corner = freshCorner(bench.rules),
    { sides, part } = bench.store.getState()
  const style = freshStyle(bench.rules, isFilledSet(bench) && shape !== 'spiral')
  switch (shape) {
    case 'rectangle':
      return freshRectangle(id, name, frame, corner, style)
    case 'ellipse':
      return { ...freshEllipse(id, name, frame, style), ...PARTS[part] }
    case 'polygon':
      return freshPolygon(id, name, frame, sides, undefined, 0, style)
    case 'star':
      return freshPolygon(id, name, frame, sides, DEPTH, 0, style)
    case 'arrow':
      return { kind: 'arrow', id, name, ...frame, head: 0.4, shaft: 0.4, corner: 0, style }
    case 'spiral':
      return { kind: 'spiral', id, name, ...frame, turns: 2, inner: 0.1, style }
  }
}

/** What a new ellipse starts with, by the part of it that is drawn. */
const PARTS = {
  whole: {},
  ring: { hole: 0.5 },
  pie: { from: 0, to: 270, cut: 'pie' },
  arc: { from: 0, to: 180, cut: 'open' },
} as const

export type EllipsePart = keyof typeof PARTS
