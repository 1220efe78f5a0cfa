import { outline } from '../evaluate/evaluate'
import { nodesOf } from '../model/nodes'
import { type DrawingObject, isCornered, isStyled, kindOf, type OfKind } from '../objects/object'
import type { Memory, Scene } from '../scene/scene'

/**
 * An object as a path whose nodes can be edited, with its corners still live; null for what has no outline of its own.
 * The same object always gives the same path.
 */
export function editable(object: DrawingObject, scene: Scene): OfKind<'path'> | null {
  if (object.kind === 'path') return object
  if (!isStyled(object) && !kindOf(object).geometry.nodes) return null
  return scene.remembered(paths, object, () => {
    const { nodes } = kindOf(object).geometry
    const contours = nodes ? nodes(object, scene) : edgeNodes(object, scene)
    if (contours.length === 0) return null
    const { id, name, role, by, hidden, locked, opacity, shadow } = object
    return {
      kind: 'path',
      id,
      name,
      ...(role && { role }),
      ...(by && { by }),
      ...(shadow && { shadow }),
      ...(hidden && { hidden }),
      ...(locked && { locked }),
      ...(opacity !== undefined && { opacity }),
      corner: isCornered(object) ? object.corner : 0,
      ...(isCornered(object) && object.cornerStyle && { cornerStyle: object.cornerStyle }),
      contours,
      style: isStyled(object) ? object.style : BARE,
    }
  })
}

/** No finish: the style of a course that copies or bends follow. */
const BARE = { fill: 'none', stroke: 'none', weight: 1 } as const

const paths: Memory<OfKind<'path'> | null> = new WeakMap()

const edgeNodes = (object: DrawingObject, scene: Scene) => outline(object, scene).map((contour) => nodesOf(contour))

/** Result of editing an object's nodes, and the live features that were lost, as a phrase; null if none. */
export type Edited = { readonly object: DrawingObject; readonly lost: string | null }

/** The object after its nodes were edited as a path: still live where it can be, else the path itself. */
export function afterEdit(object: DrawingObject, path: OfKind<'path'>): Edited {
  const { fold, lost } = kindOf(object).geometry
  const folded = fold?.(object, path.contours)
  return folded ? { object: folded, lost: null } : { object: path, lost: lost || 'its own numbers' }
}
