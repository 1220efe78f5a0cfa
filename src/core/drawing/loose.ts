import type { Path } from '../geometry/path'
import { editable } from './editable'
import type { LoosePiece } from './kinds/kind'
import { nodesOf } from './nodes'
import { type DrawingObject, isContainer, isStyled, kindOf, type OfKind, type Styled } from './object'
import type { Scene } from './scene'
import { transformObject } from './transform-object'
import { withNewIds } from './tree'

/**
 * What a live thing falls apart into, looking the same: its members, their images or what was made of them. Ids are new
 * but for things that are in it already and do not move.
 */
export function loosened(object: DrawingObject, scene: Scene, nextId: () => string): DrawingObject[] {
  const { loose } = kindOf(object)
  if (!loose) return isContainer(object) ? object.members : []
  const used = new Set<string>()
  return loose(object, scene).flatMap((piece): DrawingObject[] => {
    const of = piece.of as DrawingObject
    const own = used.has(of.id) ? withNewIds(of, nextId) : of
    used.add(of.id)
    const made = pieceOf(own, piece, scene)
    return made ? [made] : []
  })
}

function pieceOf(of: DrawingObject, { map, path, style }: LoosePiece, scene: Scene): DrawingObject | null {
  if (path) return isStyled(of) ? pathOf({ ...of, style: style ?? of.style }, path) : null
  const moved = map ? transformObject(of, map) : of
  if (!style || !isStyled(moved)) return moved
  return editable({ ...moved, style }, scene) ?? moved
}

/** A path in an object's place. */
export function pathOf(
  { id, name, role, by, hidden, locked, opacity, style }: Styled,
  path: Path,
): OfKind<'path'> | null {
  if (path.length === 0) return null
  return {
    kind: 'path',
    id,
    name,
    ...(role && { role }),
    ...(by && { by }),
    ...(hidden && { hidden }),
    ...(locked && { locked }),
    ...(opacity !== undefined && { opacity }),
    corner: 0,
    contours: path.map((contour) => nodesOf(contour)),
    style,
  }
}

/**
 * A live thing as plain paths that look the same, under its own id: one path where it has one finish, else a group of
 * what it falls apart into. The same object where nothing in it is live; null where nothing is left of it.
 */
export function fixed(object: DrawingObject, scene: Scene, nextId: () => string): DrawingObject | null {
  if (object.kind === 'path') return object
  const { loose, lost } = kindOf(object)
  if (isStyled(object) && !loose && lost !== null) return editable(object, scene)
  const pieces = loosened(object, scene, nextId)
  const members = pieces.flatMap((piece) => fixed(piece, scene, nextId) ?? [])
  if (members.length === 0) return null
  if (object.kind === 'group')
    return members.every((member, i) => member === object.members[i]) ? object : { ...object, members }
  const { id, name, role, by, hidden, locked, opacity } = object
  return {
    kind: 'group',
    id,
    name,
    ...(role && { role }),
    ...(by && { by }),
    ...(hidden && { hidden }),
    ...(locked && { locked }),
    ...(opacity !== undefined && { opacity }),
    members,
  }
}
