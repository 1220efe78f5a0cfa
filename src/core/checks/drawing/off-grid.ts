import { laidNodes, withLaidNodes } from '../../drawing/objects/laid-nodes'
import { type DrawingObject, type Framed, isFramed, kindOf } from '../../drawing/objects/object'
import type { Point } from '../../geometry/point'
import type { Check } from '../check'
import { replacing, said, seenIn } from '../look/seen'
import { ON_GRID } from '../look/tolerance'

/** Nodes, ends and sides off the grid. */
export const offGrid: Check = {
  id: 'off-grid',
  concerns: 'slips',
  word: 'nodes off the grid',
  severity: 'off',
  find: ({ objects, rules }) =>
    seenIn(objects).flatMap((one) => {
      const { step } = rules.grid
      const off = placesOf(one.object).filter(({ x, y }) => !isOn(x, step) || !isOn(y, step))
      const [first] = off
      if (!first) return []
      return [
        {
          sentence: `“${one.object.name}” is off the grid at ${said(first.x)}, ${said(first.y)}${off.length > 1 ? ` and ${off.length - 1} more places` : ''}.`,
          objects: [one.object.id],
          spot: { at: first },
          ...replacing(one, onGrid(one.object, step)),
        },
      ]
    }),
}

const isOn = (value: number, step: number): boolean => Math.abs(value / step - Math.round(value / step)) < ON_GRID

/** The places that an object was laid down by. */
function placesOf(object: DrawingObject): readonly Point[] {
  if (!isUprightFrame(object)) return laidNodes(object).flatMap(({ nodes }) => nodes)
  const { x, y, w, h } = object
  return [
    { x, y },
    { x: x + w, y: y + h },
  ]
}

const isUprightFrame = (object: DrawingObject): object is Framed =>
  isFramed(object) && kindOf(object).fills !== undefined && !object.turn && !object.skew

function onGrid(object: DrawingObject, step: number): DrawingObject {
  const on = (value: number) => Math.round(value / step) * step
  if (!isUprightFrame(object))
    return withLaidNodes(
      object,
      laidNodes(object).map((run) => ({
        ...run,
        nodes: run.nodes.map((node) => ({ ...node, x: on(node.x), y: on(node.y) })),
      })),
    )
  const x = on(object.x),
    y = on(object.y)
  return { ...object, x, y, w: on(object.x + object.w) - x, h: on(object.y + object.h) - y }
}
