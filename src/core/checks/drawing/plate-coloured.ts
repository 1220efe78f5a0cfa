import type { ResolvedPaint } from '../../drawing/model/resolved'
import { refusalIn } from '../../drawing/evaluate/evaluate'
import type { Scene } from '../../drawing/scene/scene'
import type { DrawingObject } from '../../drawing/objects/object'
import { area } from '../../geometry/area'
import { pathBounds } from '../../geometry/path'
import { combine } from '../../planar/boolean'
import type { Check } from '../check'
import { onPlate } from '../look/on-plate'

/** Share of an object over other objects from which it is a cut into them. */
const ON_OTHERS = 0.05

/** Objects in the plate's colour with only the plate below them. */
export const plateColoured: Check = {
  id: 'plate-coloured',
  concerns: 'litter',
  isSeen: true,
  word: 'in the colour of the plate',
  severity: 'warning',
  find(checked) {
    const { scene } = checked,
      laid = onPlate(checked)
    const [ground, ...others] = laid ? coloursOf(laid.plate, scene) : []
    if (!laid || !ground || ground === GRADIENT || others.length > 0) return []
    const shown = laid.above.filter((object) => !refusalIn(object, scene))
    return shown.flatMap((object, i) => {
      // What casts a shadow stands out by it.
      const colours = object.shadow ? [] : coloursOf(object, scene)
      if (colours.length === 0 || colours.some((colour) => colour !== ground)) return []
      const ink = scene.ink(object),
        box = pathBounds(ink)
      if (!box) return []
      const left = combine([
        { path: ink, role: 'adds' },
        ...shown.slice(0, i).map((below) => ({ path: scene.ink(below), role: 'cuts' as const })),
      ])
      if (area(left) < (1 - ON_OTHERS) * area(ink)) return []
      return [
        {
          sentence: `“${object.name}” has the colour of the plate that it lies on and is not seen.`,
          objects: [object.id],
          spot: { at: { x: box.x + box.w / 2, y: box.y + box.h / 2 } },
        },
      ]
    })
  },
}

/** Placeholder for every gradient: gradients are not compared. */
const GRADIENT = 'gradient'

/** The colours that an object is painted with, each once. */
const coloursOf = (object: DrawingObject, scene: Scene): string[] => [
  ...new Set(scene.shapes(object).flatMap(({ fill, stroke }) => [fill, stroke?.paint ?? null].flatMap(nameOf))),
]

const nameOf = (paint: ResolvedPaint | null): string[] =>
  paint === null ? [] : ['kind' in paint ? GRADIENT : `${paint.light} ${paint.opacity}`]
