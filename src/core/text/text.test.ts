import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import opentype from 'opentype.js'
import { describe, expect, it } from 'vitest'
import { outline } from '../drawing/evaluate/evaluate'
import { transformObject } from '../drawing/objects/transform-object'
import type { Text } from '../drawing/kinds/text/schema'
import { area } from '../geometry/area'
import { pathBounds } from '../geometry/path'
import { rotation } from '../geometry/transform'
import { STARTERS } from '../rules/starters'
import { faceOfFont } from './face-of-font'
import { shippedFace } from './faces'
import { textPath, textWidth } from './layout'

const rules = STARTERS[0]!.rules
const file = readFileSync(
  createRequire(import.meta.url).resolve('@fontsource/archivo/files/archivo-latin-600-normal.woff'),
)
const font = opentype.parse(file.buffer.slice(file.byteOffset, file.byteOffset + file.byteLength))
const text = (change: Partial<Text> = {}): Text => ({
  kind: 'text',
  id: 't',
  name: 't',
  at: { x: 2, y: 12 },
  text: 'AVA 7',
  size: 6,
  spacing: 0,
  boldness: 600,
  style: { fill: 'ink', stroke: 'none', weight: 'main' },
  ...change,
})

describe('texts', () => {
  it('are set as an independent reader of the font sets them, kerning included', () => {
    for (const words of ['AVA 7', 'Ferry', 'Tøp “Å”']) {
      const ours = pathBounds(textPath(words, shippedFace(600), { size: 6, spacing: 0 }))!
      const theirs = font.getPath(words, 0, 0, 6).getBoundingBox()
      expect(ours.x).toBeCloseTo(theirs.x1, 3)
      expect(ours.x + ours.w).toBeCloseTo(theirs.x2, 3)
      expect(ours.y).toBeCloseTo(theirs.y1, 3)
      expect(textWidth(words, shippedFace(600), { size: 6, spacing: 0 })).toBeCloseTo(font.getAdvanceWidth(words, 6), 6)
    }
  })

  it('come from a font file as they come shipped', () => {
    expect(faceOfFont(font, 'Archivo 600')).toEqual(shippedFace(600))
  })

  it('grow by their spacing between characters, and keep their area when turned and slanted', () => {
    const plain = textWidth('SKERRY', shippedFace(600), { size: 6, spacing: 0 })
    expect(textWidth('SKERRY', shippedFace(600), { size: 6, spacing: 1.5 })).toBeCloseTo(plain + 5 * 1.5, 9)
    const turned = transformObject(transformObject(text(), rotation(33, { x: 3, y: 4 })), [1, 0, 0.4, 1, 0, 0])
    expect(area(outline(turned, sceneOf(rules)))).toBeCloseTo(area(outline(text(), sceneOf(rules))), 6)
    const twice = transformObject(text({ spacing: 0.5 }), [2, 0, 0, 2, 0, 0])
    expect(twice).toMatchObject({ at: { x: 4, y: 24 }, size: 12, spacing: 1 })
    expect(twice).not.toHaveProperty('map')
  })
})
