import { refusalIn } from '../../drawing/evaluate/evaluate'
import { styleOf } from '../../drawing/scene/shared-style'
import { nodesOf } from '../../drawing/model/nodes'
import type { DrawingObject } from '../../drawing/objects/object'
import { isShared } from '../../drawing/model/style'
import { pathBounds } from '../../geometry/path'
import { tidy } from '../../geometry/tidy'
import { centreLines } from '../../outline/centre-lines/centre-lines'
import type { Check } from '../check'
import { many } from '../look/paths'
import { paintedIn, replacing, said } from '../look/seen'
import { nearestNamed } from '../look/values-of-rules'

/** How far the outline of the stroke may lie from the area, in units of a 24 grid. */
const WITHIN = 0.01
/** A width nearer than this share to a weight of the rules is that weight. */
const NEARLY = 0.02

/** Filled paths that are strokes which were outlined: a centre line with a weight paints the same. */
export const outlinedByHand: Check = {
  id: 'outlined-by-hand',
  concerns: 'rules',
  word: 'strokes drawn as areas',
  severity: 'note',
  find({ objects, scene, rules }) {
    const within = (WITHIN * rules.grid.size) / 24
    const short = (value: number, slack: number) => {
      const near = tidy(Math.round(value / rules.grid.step) * rules.grid.step)
      return Math.abs(near - value) <= slack ? near : tidy(Math.round(value * 1e4) / 1e4)
    }
    return paintedIn(objects).flatMap((one) => {
      const { object } = one
      if (object.kind !== 'path' || isShared(object.style) || refusalIn(object, scene)) return []
      const { fill, stroke } = styleOf(object, scene)
      if (fill === 'none' || stroke !== 'none' || object.style.fills) return []
      const pieces = centreLines(scene.ink(object), within, short)
      const strokes = pieces.flatMap(({ stroked }) => stroked ?? [])
      if (pieces.length === 0 || strokes.length < pieces.length) return []
      const { width, cap, join } = strokes[0]!.stroke
      const weight = nearestNamed(width, rules.weights)!
      if (Math.abs(weight.value - width) > NEARLY * width) return []
      const contours = strokes.flatMap(({ path }) => path)
      const box = pathBounds(scene.ink(object))!
      const next = {
        ...object,
        corner: 0,
        contours: contours.map((contour) => nodesOf(contour)),
        style: {
          ...object.style,
          fill: 'none',
          stroke: object.style.fill,
          weight: weight.name,
          ...(cap !== rules.cap && { cap }),
          ...(join !== rules.join && { join }),
        },
      } as DrawingObject
      return [
        {
          sentence: `“${object.name}” is ${many(contours.length, 'a stroke', 'strokes')} drawn as an area, ${said(width)} wide: ${weight.name} on a centre line paints the same.`,
          objects: [object.id],
          spot: { at: { x: box.x + box.w / 2, y: box.y + box.h / 2 } },
          ...replacing(one, next),
        },
      ]
    })
  },
}
