import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import fc from 'fast-check'
import { afterAll, describe, expect, it } from 'vitest'
import { apart } from '../../testing/delivered'
import { anyObject } from '../../testing/arbitrary'
import { decoded } from '../../testing/decoded'
import { runs } from '../../testing/runs'
import { SAMPLE_RULES } from '../../testing/sample-rules'
import { evaluateAll } from '../../core/drawing/evaluate/evaluate'
import { sceneOf } from '../../core/drawing/evaluate/evaluated-scene'
import { readSetFile } from '../../core/formats/set-file'
import { type Picture, pictureOf } from '../../core/picture/picture'
import { picturePixels } from '../../core/picture/pixels'
import { IconRenderer } from '../../core/targets/icon-renderer'
import { pdf } from './containers/pdf'

const folder = mkdtempSync(join(tmpdir(), 'wise-square-pdf-'))
afterAll(() => rmSync(folder, { recursive: true }))

const SIDE = 96

/** How far the page of a picture, drawn by another program, is from the picture's pixels: the mean of 255. */
async function off(picture: Picture): Promise<number> {
  const file = join(folder, 'picture.pdf')
  writeFileSync(file, await pdf(picture))
  const said = execFileSync(
    'pdftocairo',
    ['-png', '-singlefile', '-transp', '-scale-to', String(SIDE), file, join(folder, 'picture')],
    { encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'] },
  )
  expect(said).toBe('')
  const { data, ...own } = picturePixels(picture, SIDE)
  return apart(decoded(readFileSync(join(folder, 'picture.png'))), { ...own, data: new Uint8Array(data) }).mean
}

describe('a picture as a page of vectors is drawn by another program as it is drawn here', () => {
  it('with plates, gradients, casts and masks', async () => {
    const { icons, rules } = readSetFile(readFileSync('demo/skerry-app.wisesquare.json', 'utf8')).set!
    // The bands of one icon begin and end in one colour, which makes this program take them for plain: its page is not compared.
    const compared = icons.filter(({ name }) => name !== 'banded-buoy')
    expect(compared).toHaveLength(icons.length - 1)
    for (const icon of compared) {
      const picture = new IconRenderer(icon, rules, null).picture(1024, 'light')
      expect(await off(picture), icon.name).toBeLessThan(1.5)
    }
  })

  it('whatever is drawn, in groups, masked and dimmed; soft shadows are left out', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(anyObject, { minLength: 1, maxLength: 3 }), async (objects) => {
        const shapes = evaluateAll(
          objects.map((object, i) => ({ ...object, id: `object-${i}` })),
          sceneOf(SAMPLE_RULES),
        )
        fc.pre(!JSON.stringify(shapes).includes('"shadow"'))
        expect(await off(pictureOf(shapes, 24, 'light'))).toBeLessThan(2.5)
      }),
      runs(120),
    )
  })
})
