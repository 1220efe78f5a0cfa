import { sceneOf } from '../../../drawing/evaluate/evaluated-scene'
import { extentOf } from '../../../drawing/evaluate/extent'
import type { DrawingObject } from '../../../drawing/objects/object'
import type { Box } from '../../../geometry/box'
import type { Transform } from '../../../geometry/transform'
import { STARTERS } from '../../../rules/starters'

const scene = sceneOf(STARTERS[0]!.rules)

/**
 * Map of a clip path or mask with units of the bounding box (SVG 2 §8.10): the unit square onto that box; null if they
 * are rotated against each other.
 */
export function boxMap(cut: readonly DrawingObject[], [a, b, c, d]: Transform): Transform | null {
  const box: Box | null = extentOf(cut, scene)
  const isUpright = Math.abs(b) + Math.abs(c) <= 1e-9 * (Math.abs(a) + Math.abs(d))
  return box && isUpright && box.w > 0 && box.h > 0 ? [box.w, 0, 0, box.h, box.x, box.y] : null
}

/** What a mask paints an object with: white lets everything through, black nothing; null of greys and gradients. */
function lets(object: DrawingObject): 'all' | 'nothing' | null {
  if (!('style' in object) || !('fill' in object.style) || (object.opacity ?? 1) < 1) return null
  const { fill, stroke, fillOpacity = 1, strokeOpacity = 1 } = object.style
  const paints = [fill, stroke].filter((paint) => paint !== 'none')
  if (fillOpacity < 1 || strokeOpacity < 1 || paints.length === 0) return null
  if (paints.every((paint) => paint === '#ffffff')) return 'all'
  return paints.every((paint) => paint === '#000000') ? 'nothing' : null
}

/**
 * A luminance mask as shapes that clip by their area: white adds, black subtracts from the shapes below. `isExact` is
 * false with greys, which count as white.
 */
export function maskFront(
  shapes: readonly DrawingObject[],
  id: () => string,
): { readonly front: DrawingObject | null; readonly isExact: boolean } {
  const kinds = shapes.map(lets)
  const isExact = kinds.every((kind) => kind !== null)
  const seen = shapes.flatMap((shape, i) => (kinds[i] === 'nothing' ? [] : [shape]))
  if (seen.length === 0) return { front: null, isExact }
  const first = kinds.findIndex((kind) => kind !== 'nothing')
  const rest = shapes.slice(first)
  if (rest.length === 1) return { front: rest[0]!, isExact }
  const front = {
    kind: 'assembly',
    id: id(),
    name: 'mask',
    style: { fill: '#ffffff', stroke: 'none', weight: 1 },
    members: rest.map((shape, i) => ({ ...shape, role: kinds[first + i] === 'nothing' ? 'cuts' : 'adds', by: 'ink' })),
  }
  return { front: front as unknown as DrawingObject, isExact }
}
