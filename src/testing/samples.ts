import type { DrawingObject } from '../core/drawing/objects/object'
import type { Node } from '../core/drawing/model/node'
import type { PathObject } from '../core/drawing/kinds/path/schema'
import { STARTERS } from '../core/rules/starters'
import type { Stored } from '../core/saving/saver-state'
import type { Icon, IconSet } from '../core/set/set'

/** Small things that tests begin with. */

/** Ink of the main weight around nothing. */
export const style = { fill: 'none', stroke: 'ink', weight: 'main' } as const

/** A path of one contour. */
export const path = (nodes: Node[], closed = true): PathObject => ({
  kind: 'path',
  id: 'p',
  name: 'p',
  corner: 0,
  style,
  contours: [{ closed, nodes }],
})

/** A polygon in the middle sixteen units of a square of 24. */
export const polygon = (sides: number, extra: object = {}): DrawingObject => ({
  kind: 'polygon',
  id: 'p',
  name: 'p',
  x: 4,
  y: 4,
  w: 16,
  h: 16,
  sides,
  corner: 0,
  style,
  ...extra,
})

/** A small box with a line around it. */
export const smallBox = (id: string, x: number, weight = 'main'): DrawingObject => ({
  kind: 'rectangle',
  id,
  name: id,
  x,
  y: 1,
  w: 4,
  h: 4,
  corner: 0,
  style: { ...style, weight },
})

/** An icon of some objects on a grid of 24. */
export const iconOf = (id: string, ...objects: DrawingObject[]): Icon => ({
  id,
  name: id,
  masters: [{ base: 24, objects }],
})

/** An icon of one box. */
export const boxIcon = (id: string, name = id) => ({
  id,
  name,
  masters: [
    {
      base: 24,
      objects: [
        { kind: 'rectangle' as const, id: 'box', name: 'Box', x: 3, y: 3, w: 18, h: 18, corner: 'outer', style },
      ],
    },
  ],
})

/** A set as a server has it that took it in as a whole. */
export const storedAs = (set: IconSet, revision = 1): Stored => ({
  epoch: 'first',
  set,
  revision,
  revisions: {
    name: revision,
    rules: revision,
    delivery: revision,
    order: revision,
    icons: Object.fromEntries(set.icons.map(({ id }) => [id, revision])),
  },
})

/** A set of three such icons. */
export const pier: IconSet = {
  name: 'Pier',
  kind: 'interface',
  rules: STARTERS[0]!.rules,
  icons: [boxIcon('oar'), boxIcon('buoy'), boxIcon('ferry')],
}
