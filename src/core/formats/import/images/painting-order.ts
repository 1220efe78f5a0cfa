import { type DrawingObject, isStyled } from '../../../drawing/objects/object'
import { isShared } from '../../../drawing/model/style'
import { type Box, boxesOverlap } from '../../../geometry/box'
import { pathBounds } from '../../../geometry/path'
import { scene } from './piece'

/**
 * Whether objects may be painted together at the first one's place: they and the objects between them have one colour,
 * or do not overlap.
 */
export function mayBeOne(objects: readonly DrawingObject[], gone: ReadonlySet<DrawingObject>): boolean {
  const places = objects.flatMap((object, i) => (gone.has(object) ? [i] : []))
  const between = objects.slice(places[0]!, places.at(-1)! + 1).filter((object) => !gone.has(object))
  const isOne = (some: readonly DrawingObject[]) => {
    const colours = new Set(some.flatMap(coloursOf))
    return colours.size <= 1 && !colours.has(null)
  }
  if (isOne([...gone, ...between])) return true
  const own = [...gone].map(reachOf)
  return (
    (isOne([...gone]) || own.every((box, i) => own.slice(0, i).every((other) => !boxesOverlap(box, other)))) &&
    between.every((object) => own.every((box) => !boxesOverlap(box, reachOf(object))))
  )
}

/** The box of what an object paints: by its strokes' widths, or, of what holds others, by its ink. */
function reachOf(object: DrawingObject): Box {
  if (!isStyled(object) || isShared(object.style)) return pathBounds(scene.ink(object)) ?? scene.box(object)
  const { x, y, w, h } = scene.box(object)
  const by = typeof object.style.weight === 'number' ? object.style.weight : 0
  return { x: x - by, y: y - by, w: w + 2 * by, h: h + 2 * by }
}

/** The opaque colours of an object; null for translucent paints and gradients. */
function coloursOf(object: DrawingObject): (string | null)[] {
  if ('members' in object && !isStyled(object)) return (object.members as DrawingObject[]).flatMap(coloursOf)
  if (!isStyled(object) || isShared(object.style) || object.opacity !== undefined) return [null]
  const { fill, stroke, fillOpacity, strokeOpacity, fills } = object.style
  if (fills || fillOpacity !== undefined || strokeOpacity !== undefined) return [null]
  return [fill, stroke].flatMap((paint) => (typeof paint !== 'string' ? [null] : paint === 'none' ? [] : [paint]))
}

/** Objects with one in place of others, where the first of them was. */
export function inPlaceOf(
  objects: readonly DrawingObject[],
  gone: ReadonlySet<DrawingObject>,
  one: DrawingObject,
): readonly DrawingObject[] {
  const first = objects.findIndex((object) => gone.has(object))
  return objects.flatMap((object, i) => (i === first ? [one] : gone.has(object) ? [] : [object]))
}
