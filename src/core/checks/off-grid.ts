import type { DrawingObject } from '../drawing/model/object'
import type { Point } from '../geometry/point'
import type { Check } from './check'
import { replacing, said, seenIn } from './seen'
import { ON_GRID } from './tolerance'

/** Nodes, ends and sides that lie beside the grid. */
export const offGrid: Check = {
  id: 'off-grid',
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
  switch (object.kind) {
    case 'line':
      return [object.from, object.to]
    case 'path':
      return object.contours.flatMap(({ nodes }) => nodes)
    case 'rectangle':
    case 'ellipse':
      return object.turn || object.skew
        ? []
        : [
            { x: object.x, y: object.y },
            { x: object.x + object.w, y: object.y + object.h },
          ]
    default:
      return []
  }
}

function onGrid(object: DrawingObject, step: number): DrawingObject {
  const on = (value: number) => Math.round(value / step) * step
  const there = <P extends Point>(p: P): P => ({ ...p, x: on(p.x), y: on(p.y) })
  switch (object.kind) {
    case 'line':
      return { ...object, from: there(object.from), to: there(object.to) }
    case 'path':
      return { ...object, contours: object.contours.map((run) => ({ ...run, nodes: run.nodes.map(there) })) }
    case 'rectangle':
    case 'ellipse': {
      const x = on(object.x),
        y = on(object.y)
      return { ...object, x, y, w: on(object.x + object.w) - x, h: on(object.y + object.h) - y }
    }
    default:
      return object
  }
}
