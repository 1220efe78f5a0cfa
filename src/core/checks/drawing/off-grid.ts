import { laidNodes, withLaidNodes } from '../../drawing/objects/laid-nodes'
import type { DrawingObject } from '../../drawing/objects/object'
import type { Check } from '../check'
import { isUprightFrame, laidPlaces } from '../../drawing/objects/laid-places'
import { replacing, said, seenIn } from '../look/seen'
import { isOnStep } from '../../drawing/edit/exactness'

/** Nodes, ends and sides off the grid. */
export const offGrid: Check = {
  id: 'off-grid',
  concerns: 'slips',
  word: 'nodes off the grid',
  severity: 'off',
  find: ({ objects, rules }) =>
    seenIn(objects).flatMap((one) => {
      const { step } = rules.grid
      const off = laidPlaces(one.object).filter(({ x, y }) => !isOnStep(x, step) || !isOnStep(y, step))
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
