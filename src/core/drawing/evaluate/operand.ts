import type { Path } from '../../geometry/path'
import { type DrawingObject, isStyled, kindOf } from '../objects/object'
import type { Scene } from '../scene/scene'

/**
 * The area an object contributes where it is combined with others: what its kind says, else the inside of closed
 * outlines and the ink of open ones. An open line without a stroke is closed by a straight line.
 */
export function operandOf(object: DrawingObject, scene: Scene): Path {
  if (object.by === 'ink') return scene.ink(object)
  if (object.by === 'edge') return scene.edge(object)
  const { operand } = kindOf(object).geometry
  if (operand) return operand(object, scene)
  const edge = scene.edge(object)
  if (!isStyled(object) || edge.every(({ closed }) => closed)) return edge
  const ink = scene.ink(object)
  return ink.length > 0 ? ink : edge
}

/** Whether an object counts by its painted area, stroke included, in boolean operations. */
export function countsByInk(object: DrawingObject, scene: Scene): boolean {
  if (object.by) return object.by === 'ink'
  return !kindOf(object).geometry.operand && isStyled(object) && scene.edge(object).some(({ closed }) => !closed)
}
