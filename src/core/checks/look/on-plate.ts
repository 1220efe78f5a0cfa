import { type DrawingObject, isContainer, kindOf } from '../../drawing/objects/object'
import type { Path } from '../../geometry/path'
import type { Checked } from '../check'

/**
 * The plate of a drawing with its outline, the objects above it, and these without their cast shadows; null without a
 * plate.
 */
export function onPlate({ objects, scene }: Checked): {
  readonly plate: DrawingObject
  readonly edge: Path
  readonly above: readonly DrawingObject[]
  readonly front: readonly DrawingObject[]
} | null {
  const at = objects.findIndex((object) => !object.hidden && kindOf(object).stands === 'ground')
  const plate = objects[at]
  if (!plate) return null
  const above = objects.slice(at + 1).filter(({ hidden }) => !hidden)
  return { plate, edge: scene.ink(plate), above, front: above.flatMap(unshaded) }
}

/** The visible parts of an object without its cast shadow. */
const unshaded = (object: DrawingObject): readonly DrawingObject[] =>
  kindOf(object).stands !== 'shade' ? [object] : isContainer(object) ? object.members : []
