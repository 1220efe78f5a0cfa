import { defineKind } from '../kind'
import { shippedFace } from '../../../text/faces'
import { Text } from './schema'
import { geometry } from './geometry'
import { ledger } from './ledger'

export const text = defineKind<Text>({
  kind: 'text',
  word: 'Text',
  schema: Text,
  geometry,
  ledger,
  cost: {
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
  },
})
