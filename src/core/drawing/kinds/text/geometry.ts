import { type Path, pathBounds, transformPath } from '../../../geometry/path'
import { tidy } from '../../../geometry/tidy'
import { apply, compose, type Transform } from '../../../geometry/transform'
import { shippedFace } from '../../../text/faces'
import { textPath } from '../../../text/layout'
import type { Text } from './schema'
import type { GeometryFacet } from '../facets/geometry'

export const geometry: GeometryFacet<Text> = {
  edge: textOutline,
  frame: (object, scene) => pathBounds(scene.edge(object)) ?? { ...object.at, w: 0, h: 0 },
  transform: transformText,
  lost: 'its words',
}

/** The outlines of a text where it lies. */
function textOutline(object: Text): Path {
  const path = textPath(object.text, object.face ?? shippedFace(object.boldness), object)
  const [a, b, c, d] = object.map ?? [1, 0, 0, 1]
  return transformPath(path, [a!, b!, c!, d!, object.at.x, object.at.y])
}

/** A text under an affine map: even scaling goes into its size and spacing, the rest into its map. */
function transformText(object: Text, map: Transform): Text {
  const at = apply(map, object.at)
  const [p, q, r, s] = object.map ?? [1, 0, 0, 1]
  const [a, b, c, d] = compose([map[0], map[1], map[2], map[3], 0, 0], [p!, q!, r!, s!, 0, 0])
  const scale = Math.sqrt(Math.abs(a * d - b * c)) || 1
  const rest = [a / scale, b / scale, c / scale, d / scale].map(tidy)
  const plain = rest[0] === 1 && rest[1] === 0 && rest[2] === 0 && rest[3] === 1
  const { map: _, ...text } = object
  return {
    ...text,
    at: { x: tidy(at.x), y: tidy(at.y) },
    size: tidy(object.size * scale),
    spacing: tidy(object.spacing * scale),
    ...(!plain && { map: rest }),
  }
}
