import { type DrawingObject, kindOf } from '../../drawing/objects/object'
import { sizedPlacing, sizeOf } from '../../drawing/kinds/placement/placed'
import { extentOf } from '../../drawing/evaluate/extent'
import { sceneOf } from '../../drawing/evaluate/evaluated-scene'
import { mapObjects } from '../../drawing/objects/tree'
import type { Rules } from '../rules'

/**
 * Objects that were scaled to the grid of other rules, with those left at their size that place a plate or a part which
 * those rules have brought to their grid already.
 */
export function placedAsBrought(objects: readonly DrawingObject[], from: Rules, to: Rules): DrawingObject[] {
  const scale = to.grid.size / from.grid.size
  if (scale === 1 || (from.plates === to.plates && from.parts === to.parts)) return objects as DrawingObject[]
  const isBrought = (before: number | undefined, after: number | undefined): boolean => {
    if (!before || !after) return false
    const grown = Math.log(after / before)
    return Math.abs(grown - Math.log(scale)) < Math.abs(grown)
  }
  return mapObjects(objects, (object) => {
    const { plate, part } = kindOf(object).references
    const plateName = plate?.(object),
      partName = part?.(object)
    const sizes = [from, to].map((rules) =>
      plateName !== undefined
        ? plateSize(rules, plateName)
        : partName !== undefined
          ? partSize(rules, partName)
          : undefined,
    )
    if (!isBrought(sizes[0], sizes[1])) return object
    return sizedPlacing(
      object as { map?: readonly number[] },
      sizeOf(object as { map?: readonly number[] }) / scale,
    ) as DrawingObject
  })
}

const plateSize = ({ plates }: Rules, plate: string): number | undefined => {
  const found = plates?.find(({ name }) => name === plate)
  return found && Math.hypot(found.w, found.h)
}

function partSize(rules: Rules, part: string): number | undefined {
  const found = rules.parts?.find(({ name }) => name === part)
  const box = found && extentOf(found.objects, sceneOf(rules))
  return box ? Math.hypot(box.w, box.h) : undefined
}
