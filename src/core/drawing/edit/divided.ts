import type { Path } from '../../geometry/path'
import { patchwork } from '../../planar/patches'
import { type DrawingObject, isStyled, type Styled } from '../objects/object'
import type { Scene } from '../scene/scene'
import { countsByInk } from '../evaluate/operand'

/** A piece of a division: its outline, and the topmost object that it is part of. */
export type Piece = { readonly path: Path; readonly of: DrawingObject }

/**
 * Objects cut into pieces that abut exactly, by each other and by open lines: every part that lies in one of the closed
 * ones at least. Lines cut along their centre, unless they are to count by their ink.
 */
export function divided(objects: readonly DrawingObject[], scene: Scene): Piece[] {
  const paths = objects.map((object) => (isCutting(object, scene) ? scene.edge(object) : scene.solid(object)))
  const { arrangement, patches } = patchwork(paths)
  return patches.flatMap(({ face, path }): Piece[] => {
    const times = arrangement.windings[face]!
    const top = objects.findLastIndex((_, i) => times[i] !== 0)
    return top < 0 ? [] : [{ path, of: objects[top]! }]
  })
}

/** Whether an object is a cutting line: it is open, and does not count by its stroke. */
const isCutting = (object: DrawingObject, scene: Scene): boolean =>
  object.by !== 'ink' && isStyled(object) && countsByInk(object, scene)

/** The finish of a piece: that of its object, as a fill. */
export const pieceStyle = (of: DrawingObject, others: readonly Styled[]): Styled['style'] | null =>
  isStyled(of) ? of.style : (others[0]?.style ?? null)
