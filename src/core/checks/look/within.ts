import { ink } from '../../drawing/evaluate/evaluate'
import { laidNodes, withLaidNodes } from '../../drawing/objects/laid-nodes'
import { isUprightFrame } from '../../drawing/objects/laid-places'
import type { DrawingObject } from '../../drawing/objects/object'
import { moveObject } from '../../drawing/objects/transform-object'
import { type Box, boxInside } from '../../geometry/box'
import { pathBounds } from '../../geometry/path'
import type { Point } from '../../geometry/point'
import { tidy } from '../../geometry/tidy'
import type { Checked } from '../check'
import { shownInk } from './ink'

/** How far one object may be moved or shortened, in units of a 24 grid. A longer way makes another drawing. */
const FAR = 2

/** By how much a box passes another on its low and its high side, as whole steps; 0 where it does not. */
type Passed = Readonly<Record<'x' | 'y', { readonly low: number; readonly high: number }>>

function passedBy(box: Box, area: Box, step: number, slack: number): Passed {
  const steps = (over: number) => (over <= slack ? 0 : tidy(Math.ceil((over - slack) / step) * step))
  return {
    x: { low: steps(area.x - box.x), high: steps(box.x + box.w - area.x - area.w) },
    y: { low: steps(area.y - box.y), high: steps(box.y + box.h - area.y - area.h) },
  }
}

/**
 * Moves a drawing inside an area by whole steps of the grid, as a whole or the passing objects alone, which may be shortened
 * too. Null if neither is possible, or if an object is locked. `slack`: tolerance in grid units.
 */
export function broughtWithin(checked: Checked, area: Box, slack: number): readonly DrawingObject[] | null {
  const { objects, rules, scene } = checked,
    { step, size } = rules.grid
  const box = pathBounds(shownInk(checked))
  if (!box || objects.some(({ locked }) => locked)) return null
  const outer = { x: area.x - slack, y: area.y - slack, w: area.w + 2 * slack, h: area.h + 2 * slack }
  const isWithin = (next: readonly DrawingObject[]) => {
    const box = pathBounds(shownInk({ objects: next, scene }))
    return box !== null && boxInside(box, outer)
  }
  const whole = wayBack(passedBy(box, area, step, slack))
  if (whole) {
    const all = objects.map((object) => moveObject(object, whole))
    if (isWithin(all)) return all
  }
  const next = objects.map((object) => {
    if (object.hidden) return object
    const own = pathBounds(ink(object, scene))
    if (!own || boxInside(own, outer)) return object
    const passed = passedBy(own, area, step, slack)
    if (farthest(passed) > (FAR * size) / 24) return null
    return shortened(object, own, passed) ?? moved(object, passed)
  })
  const all = next.filter((object) => object !== null)
  return all.length === next.length && isWithin(all) ? all : null
}

const farthest = ({ x, y }: Passed): number => Math.max(x.low, x.high, y.low, y.high)

/** The move that brings a box back inside the area; null if it passes both sides of an axis. */
function wayBack({ x, y }: Passed): Point | null {
  return (x.low > 0 && x.high > 0) || (y.low > 0 && y.high > 0) ? null : { x: x.low - x.high, y: y.low - y.high }
}

function moved(object: DrawingObject, passed: Passed): DrawingObject | null {
  const by = wayBack(passed)
  return by && moveObject(object, by)
}

/** The object with its passing sides, or its outermost nodes, moved inwards; null if it has no sides and no nodes. */
function shortened(object: DrawingObject, box: Box, { x, y }: Passed): DrawingObject | null {
  if (isUprightFrame(object)) {
    const w = tidy(object.w - x.low - x.high),
      h = tidy(object.h - y.low - y.high)
    return w > 0 && h > 0 ? { ...object, x: tidy(object.x + x.low), y: tidy(object.y + y.low), w, h } : null
  }
  const runs = laidNodes(object),
    nodes = runs.flatMap((run) => run.nodes)
  if (nodes.length < 2) return null
  const inset = (axis: 'x' | 'y', side: 'w' | 'h', { low, high }: Passed['x']) => {
    const least = Math.min(...nodes.map((node) => node[axis])),
      most = Math.max(...nodes.map((node) => node[axis]))
    // A drawing of one place on this axis is moved as a whole.
    const isFlat = most - least < box[side] / 4
    return (value: number) =>
      tidy(isFlat ? value + low - high : value === least ? value + low : value === most ? value - high : value)
  }
  const byX = inset('x', 'w', x),
    byY = inset('y', 'h', y)
  return withLaidNodes(
    object,
    runs.map((run) => ({ ...run, nodes: run.nodes.map((node) => ({ ...node, x: byX(node.x), y: byY(node.y) })) })),
  )
}
