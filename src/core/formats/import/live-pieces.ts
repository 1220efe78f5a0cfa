import { sceneOf } from '../../drawing/evaluate/evaluated-scene'
import { refusalIn } from '../../drawing/evaluate/evaluate'
import { nodesOf } from '../../drawing/model/nodes'
import type { DrawingObject } from '../../drawing/objects/object'
import { isShared } from '../../drawing/model/style'
import { walk } from '../../drawing/objects/tree'
import { connected } from '../../geometry/connected'
import { recognise } from '../../outline/recognise'
import { isSameOutline } from '../../outline/same-outline'
import { STARTERS } from '../../rules/starters'
import { cutOut } from './cut-out'
import { liveShape } from './live'
import { unbroken } from './unbroken'

const scene = sceneOf(STARTERS[0]!.rules)

/** The most contours of a path whose pieces are looked at. */
const MOST = 60

/**
 * Splits a filled path into live shapes, one for each piece that is one, or that is one with others cut out, within a
 * tolerance in units; other pieces stay a path. The object itself if no piece is live. New ids are added to `taken`.
 */
function livePieces(object: DrawingObject, within: number, taken: Set<string>): readonly DrawingObject[] {
  if (object.kind !== 'path' || isShared(object.style) || object.contours.length < 2 || object.contours.length > MOST)
    return [object]
  const { id, name, style } = object,
    { fill, fills, stroke } = style
  if (typeof fill !== 'string' || fill === 'none' || fills || stroke !== 'none' || refusalIn(object, scene))
    return [object]
  let count = 0
  const ids = (): string => {
    const next = `${id}-${++count}`
    return taken.has(next) ? ids() : (taken.add(next), next)
  }
  const ink = scene.ink(object),
    pieces = connected(recognise(ink, within))
  const objects = pieces.map((piece): DrawingObject | null => {
    const [only, ...holes] = piece
    if (holes.length > 0) return cutOut(piece, style, name, within, ids)
    const live = liveShape(only, within)
    return live && ({ ...live, id: ids(), name, style } as unknown as DrawingObject)
  })
  const live = objects.filter((one) => one !== null)
  if (live.length === 0) return [object]
  const rest = pieces.filter((_, i) => objects[i] === null).flat()
  const path = { ...object, contours: rest.map((contour) => nodesOf(contour)) } as DrawingObject
  const all = rest.length > 0 ? [path, ...live] : live
  // Slivers of an outline may lead to pieces that are none.
  const painted = all.flatMap((one) => scene.ink(one))
  if (!isSameOutline(painted, ink, 2 * within)) return [object]
  return all.map((one, i) => (i === 0 ? one : { ...one, name: `${name} ${i + 1}` }))
}

/** Objects with their filled paths in pieces that are live where they can be. */
export function inPieces(objects: readonly DrawingObject[], within: number): DrawingObject[] {
  const taken = new Set([...walk(objects)].map(({ object }) => object.id))
  return objects.flatMap((object) => unbroken(() => livePieces(object, within, taken), [object]))
}
