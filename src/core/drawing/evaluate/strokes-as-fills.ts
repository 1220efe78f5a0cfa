import type { Weight } from '../model/style'
import { type DrawingObject, isContainer, isStyled } from '../objects/object'
import { walk } from '../objects/tree'
import type { Scene } from '../scene/scene'
import { styleOf } from '../scene/shared-style'
import { countsByInk } from './operand'

/**
 * Weights of the strokes within a container that it paints as filled outlines, each once, in the order of its members.
 * Throws the errors of drawing.
 */
export function weightsAsFills(object: DrawingObject, scene: Scene): Weight[] {
  if (!isContainer(object)) return []
  const kept = new Set(scene.shapes(object).flatMap(({ id, stroke }) => (stroke ? [id] : [])))
  if (kept.has(object.id)) return []
  const weights = [...walk(object.members)].flatMap(({ object: member, parents }) => {
    const parent = parents.at(-1) ?? object
    if (member.hidden || parents.some(({ hidden }) => hidden) || !isStyled(member) || kept.has(member.id)) return []
    // A combination that is painted as a whole uses the stroke of a member only where it counts by its ink.
    if (isStyled(parent) && !countsByInk(member, scene)) return []
    const { stroke, weight } = styleOf(member, scene)
    return stroke === 'none' ? [] : [weight]
  })
  return [...new Set(weights)]
}
