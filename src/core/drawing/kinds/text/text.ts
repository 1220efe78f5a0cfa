import { z } from 'zod'
import { type Path, pathBounds, transformPath } from '../../../geometry/path'
import { tidy } from '../../../geometry/tidy'
import { apply, compose, type Transform } from '../../../geometry/transform'
import { Face } from '../../../text/face'
import { shippedFace } from '../../../text/faces'
import { textPath } from '../../../text/layout'
import { Coordinate, PointXY } from '../../model/place'
import { Finish, type Style } from '../../model/style'
import { defineKind } from '../kind'
import { common } from '../traits'

/**
 * A text on a baseline that starts at `at`; it stays text until it is fixed. `size` of the em and `spacing` between
 * characters in grid units; `boldness` of the shipped typeface, or an own `face`. `map` is the linear part of its
 * transform.
 */
const Text = z.strictObject({
  kind: z.literal('text'),
  ...common,
  at: PointXY,
  text: z
    .string()
    .min(1, 'A text has at least one character.')
    .max(500, 'A text has at most 500 characters.')
    .refine((text) => !/\p{Surrogate}/u.test(text), 'The text contains half a character.'),
  size: z.number().positive().max(1e5),
  spacing: z.number().min(-1e4).max(1e4),
  boldness: z.union([z.literal(400), z.literal(600), z.literal(700)]),
  face: Face.optional(),
  map: z.array(Coordinate).length(4).optional(),
  style: Finish,
})
export type Text = z.infer<typeof Text>

export const text = defineKind<Text>({
  kind: 'text',
  word: 'Text',
  schema: Text,
  edge: textOutline,
  frame: (object, scene) => pathBounds(scene.edge(object)) ?? { ...object.at, w: 0, h: 0 },
  transform: transformText,
  segments({ text, face, boldness }) {
    const { glyphs } = face ?? shippedFace(boldness)
    let sum = 0
    for (const char of text) for (const contour of glyphs[char]?.contours ?? []) sum += contour.length
    return sum
  },
  length({ text, size, map }) {
    const [a, b, c, d] = map ?? [1, 0, 0, 1]
    return 8 * size * text.length * Math.hypot(a!, b!, c!, d!)
  },
  characters: ({ text }) => text.length,
  fields: () => [
    {
      id: 'size',
      what: 'the size',
      as: 'number',
      suffix: ' size',
      step: 0.5,
      limits: { least: 0, above: true, most: 1e5 },
      read: ({ size }) => size,
      write: (object, size) => ({ ...object, size }),
    },
    {
      id: 'spacing',
      what: 'the spacing',
      as: 'number',
      suffix: ' apart',
      step: 0.1,
      limits: { least: -1e4, most: 1e4 },
      read: ({ spacing }) => spacing,
      write: (object, spacing) => ({ ...object, spacing }),
    },
  ],
  lost: 'its words',
  any: ({ fc, place, half, plainStyle }) =>
    fc.record({
      at: place,
      text: fc.constantFrom('Quay', 'B', 'A&O'),
      size: half(2, 8),
      spacing: half(0, 1),
      boldness: fc.constantFrom(400, 600, 700),
      style: plainStyle.map((one): Style => ({ ...one, stroke: 'none' })),
    }),
})

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
