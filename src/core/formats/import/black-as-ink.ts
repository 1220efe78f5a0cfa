import { repainted } from '../../drawing/edit/paint'
import { type DrawingObject, isStyled } from '../../drawing/objects/object'
import { isShared, withPaints } from '../../drawing/model/style'
import { mapObjects, walk } from '../../drawing/objects/tree'
import { visited } from '../../drawing/objects/visit'
import { INK } from './svg/paint'

const TO_INK = new Map([['#000000', INK]])

/** Whether drawings are painted in the colour of the text around them. */
const hasInk = (objects: readonly DrawingObject[]): boolean =>
  [...walk(objects)].some(
    ({ object }) =>
      isStyled(object) && !isShared(object.style) && (object.style.fill === INK || object.style.stroke === INK),
  )

/**
 * Returns what paints pure black in ink, for a folder that uses the colour of the text around: black is SVG's initial
 * colour, most likely left out there by mistake, and would be lost on dark. Unchanged drawings where none uses that
 * colour.
 */
export function blackAsInk(
  all: readonly { readonly objects: readonly DrawingObject[] }[],
): (objects: readonly DrawingObject[]) => readonly DrawingObject[] {
  if (!all.some(({ objects }) => hasInk(objects))) return (objects) => objects
  return (objects) =>
    mapObjects(objects, (object) =>
      visited(object, {
        style: (own) => (isShared(own) ? own : withPaints(own, (paint) => repainted(paint, TO_INK))),
      }),
    )
}
