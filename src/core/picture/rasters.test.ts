import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { lineIcons } from '../../testing/line-icons'
import { pixelsOf as pixelsOfPeer } from '../../testing/rasterise'
import { runs } from '../../testing/runs'
import { random } from '../../testing/shapes'
import type { Item } from '../raster/items'
import { pixelsOf } from '../raster/raster'
import { sampledPicture } from '../../testing/sampled-picture'
import { IconRenderer } from '../targets/icon-renderer'
import { composedIcon } from '../targets/composition'
import { picturePixels } from './pixels'
import { svgOfPicture } from './svg'
import { rasterised } from '../../testing/rasterised'
import { readDocument } from '../../testing/read-document'
import { readSetFile } from '../formats/set-file'

const setOf = (name: string) => readSetFile(readFileSync(`demo/${name}.wisesquare.json`, 'utf8')).set!

/** How far a document's pixels are off what is seen by looking at thousands of places of each. */
function off(svg: string, size: number): number {
  const own = rasterised(svg, size).data,
    seen = sampledPicture(readDocument(svg), size)
  let most = 0
  for (let i = 0; i < own.length; i++) {
    // Colours count as much as they are opaque.
    const k = i % 4 === 3 ? 1 : seen[i - (i % 4) + 3]! / 255
    most = Math.max(most, k * Math.abs(own[i]! - seen[i]!))
  }
  return most
}

describe('documents as pixels', () => {
  it('of the demo and of icons of others are within 2 of 255 of their true coverage', () => {
    const { icons, rules } = setOf('quayside')
    const demo = icons
      .filter((_, i) => i % 5 === 0)
      .flatMap((icon) =>
        [16, 20].map((size) => [new IconRenderer(icon, rules, null).document(size, 'light'), size] as const),
      )
    for (const [svg, size] of [...demo, ...lineIcons(6).map((svg) => [svg, 20] as const)])
      expect(off(svg, size), svg).toBeLessThanOrEqual(2)
  })

  it('of strokes are painted by their bands as by their outlines, of whatever icon, style and fold', () => {
    const byOutlines = (item: Item): Item =>
      item.kind === 'area'
        ? { kind: 'area', rule: item.rule, paint: item.paint, path: item.outline?.() ?? item.path }
        : item
    const next = random(7),
      pick = <T>(list: readonly T[]) => list[Math.floor(next() * list.length)]!
    const folds = Array.from({ length: runs(300).numRuns }, () => {
      const off = 10 ** (-5 * next())
      const [a, b, c, d] = [next(), next(), next(), next()].map((k) => (6 * k - 3).toFixed(4))
      return `<path d="M4 ${(8 + 8 * next()).toFixed(3)}L12 12c${a} ${b} ${-Number(a) + off} ${-Number(b)} ${off.toFixed(6)} ${(off * next()).toFixed(6)}l${c} ${d}"/>`
    })
    const inside = (svg: string) => svg.replace(/<svg[^>]*>|<\/svg>\s*/g, '')
    for (const body of [...lineIcons(runs(180).numRuns).map(inside), ...folds]) {
      const own = `stroke-width="${pick([0.5, 1, 2, 4])}" stroke-linecap="${pick(['butt', 'round', 'square'])}" stroke-linejoin="${pick(['miter', 'round', 'bevel'])}"`
      const svg = `<svg viewBox="0 0 24 24" fill="none" stroke="#000" ${own}>${body}</svg>`
      const picture = readDocument(svg)
      const bands = pixelsOf(picture, 32).data,
        outlines = pixelsOf({ ...picture, items: picture.items.map(byOutlines) }, 32).data
      let most = 0
      for (let i = 0; i < bands.length; i++) most = Math.max(most, Math.abs(bands[i]! - outlines[i]!))
      expect(most, svg).toBeLessThanOrEqual(1)
    }
  })

  it('of app icons are what another rasteriser draws, but for edges that lie under others, which it lets through', () => {
    const { icons, rules } = setOf('skerry-app')
    for (const icon of icons) {
      const picture = composedIcon(new IconRenderer(icon, rules, null), 240, {
        share: 0.9,
        plate: 'own',
        fallback: null,
        ground: 'dark',
        cut: 'squircle',
      })
      const own = picturePixels(picture, 240).data,
        theirs = pixelsOfPeer(svgOfPicture(picture), 240)
      let sum = 0
      for (let i = 0; i < own.length; i++)
        sum += Math.abs((i % 4 === 3 ? own[i]! : (own[i]! * own[i - (i % 4) + 3]!) / 255) - theirs[i]!)
      expect(sum / own.length, icon.name).toBeLessThan(0.6)
    }
  })
})
