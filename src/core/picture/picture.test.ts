import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { anyObject } from '../../testing/arbitrary'
import { SAMPLE_RULES } from '../../testing/sample-rules'
import { runs } from '../../testing/runs'
import { evaluateAll } from '../drawing/evaluate/evaluate'
import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import { rasterised } from '../../testing/rasterised'
import { readSetFile } from '../formats/set-file'
import { basesOf } from '../rules/rules-for-grid'
import { type Composition, composedIcon } from '../targets/composition'
import { IconRenderer } from '../targets/icon-renderer'
import { iconPicture } from './drawn'
import { inMirror, type Picture, pictureOf, resized } from './picture'
import { picturePixels } from './pixels'
import { pictureIn, pictureText } from './stored'
import { svgOfPicture } from './svg'

const setOf = (name: string) => readSetFile(readFileSync(`demo/${name}.wisesquare.json`, 'utf8')).set!
const GROUNDS = ['current', 'light', 'dark'] as const

/** The first pixel at which a picture differs from its own document, drawn by a reader of that document; -1 if none. */
function firstDifference(picture: Picture, width: number): number {
  const document = svgOfPicture(picture)
  expect(svgOfPicture(pictureIn(pictureText(picture)))).toBe(document)
  const own = picturePixels(pictureIn(pictureText(picture)), width).data,
    read = rasterised(document, width).data
  return own.findIndex((value, i) => value !== read[i])
}

describe('a picture, stored and read again, has its document and the pixels of it, to the bit', () => {
  it('for every icon of the demo, on every grid and ground, scaled and in the mirror', () => {
    const { icons, rules } = setOf('quayside')
    for (const [i, icon] of icons.entries())
      for (const base of basesOf(rules)) {
        const picture = iconPicture(icon, rules, GROUNDS[i % 3]!, base)
        for (const one of [picture, resized(picture, 20), inMirror(picture)])
          expect(firstDifference(one, 23), icon.name).toBe(-1)
      }
  })

  it('for app icons with their plates, casts, gradients, masks and shadows, cut as platforms cut them', () => {
    const { icons, rules } = setOf('skerry-app')
    const dresses: Composition[] = [
      { share: 1, plate: 'full', fallback: '#fbfcfb', ground: 'light', safe: 0.8, cut: 'squircle' },
      { share: 0.7, plate: 'own', fallback: null, ground: 'dark' },
    ]
    for (const icon of icons)
      for (const dress of dresses) {
        const picture = composedIcon(new IconRenderer(icon, rules, null), 240, dress)
        expect(firstDifference(picture, 57), icon.name).toBe(-1)
      }
  })

  it('whatever is drawn, in groups, masked, dimmed and shaded', () => {
    fc.assert(
      fc.property(
        fc.array(anyObject, { minLength: 1, maxLength: 4 }),
        fc.constantFrom(...GROUNDS),
        (objects, ground) => {
          let shapes
          try {
            shapes = evaluateAll(
              objects.map((object, i) => ({ ...object, id: `object-${i}` })),
              sceneOf(SAMPLE_RULES),
            )
          } catch {
            return fc.pre(false)
          }
          expect(firstDifference(pictureOf(shapes, 24, ground), 31)).toBe(-1)
        },
      ),
      runs(600),
    )
  })
})
