import { editable } from './editable'
import type { LoosePiece } from '../kinds/facets/geometry'
import { type DrawingObject, isContainer, isStyled, kindOf } from '../objects/object'
import { contoursOf, plainPaths } from '../objects/plain'
import type { Scene } from '../scene/scene'
import { transformObject } from '../objects/transform-object'
import { withNewIds } from '../objects/tree'

/**
 * Releases a live object without changing its look: returns its members, their images, or its results. Ids are new,
 * except for existing members.
 */
export function loosened(object: DrawingObject, scene: Scene, nextId: () => string): DrawingObject[] {
  const { loose } = kindOf(object).geometry
  if (!loose) return isContainer(object) ? object.members : []
  const used = new Set<string>()
  return loose(object, scene).flatMap((piece): DrawingObject[] => {
    const of = piece.of as DrawingObject
    const own = used.has(of.id) || !isContainer(object) ? withNewIds(of, nextId) : of
    used.add(of.id)
    return pieceOf(own, piece)
  })
}

function pieceOf(of: DrawingObject, { map, path }: LoosePiece): DrawingObject[] {
  if (!path) return [map ? transformObject(of, map) : of]
  if (!isStyled(of) || path.length === 0) return []
  return [{ kind: 'path', ...commonOf(of), corner: 0, contours: contoursOf(path), style: of.style }]
}

/** What every object has, of one; `withOpacity` leaves out what its shapes show already. */
function commonOf({ id, name, role, by, hidden, locked, opacity, shadow }: DrawingObject, withOpacity = true) {
  return {
    id,
    name,
    ...(role && { role }),
    ...(by && { by }),
    ...(hidden && { hidden }),
    ...(locked && { locked }),
    ...(withOpacity && opacity !== undefined && { opacity }),
    ...(withOpacity && shadow && { shadow }),
  }
}

/**
 * Turns a live object into plain paths of the same look, under its own id: one path if it has one finish, else a group.
 * Returns a plain object unchanged, null if nothing is left. Throws a `Refusal`.
 */
export function fixed(object: DrawingObject, scene: Scene, nextId: () => string): DrawingObject | null {
  if (object.kind === 'path') return object
  const { shapes, lost } = kindOf(object).geometry
  if (isStyled(object) && !shapes && lost !== null) return editable(object, scene)
  if (isContainer(object) && kindOf(object).geometry.isMask) {
    const members = object.members.flatMap((member) => fixed(member, scene, nextId) ?? [])
    if (members.length === 0) return null
    return members.every((member, i) => member === object.members[i]) ? object : { ...object, members }
  }
  const { hidden: _, ...seen } = object
  const [only, ...more] = plainPaths(scene.shapes(seen as DrawingObject), { id: nextId, name: object.name })
  if (!only) return null
  if (more.length === 0) return { ...only, ...commonOf(object, false) }
  const members = [only, ...more].map((piece, i) => ({ ...piece, name: `Piece ${i + 1}` }))
  return { kind: 'group', ...commonOf(object, false), members }
}
