import { readdirSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { optimize } from 'svgo'
import { describe, expect, it } from 'vitest'
import { readSetFile } from '../formats/set-file'
import { starter } from '../rules/starters'
import type { Icon } from '../set/set'
import { pixelsOf } from '../../testing/rasterise'
import { objectsOf } from '../../testing/icon-objects'
import { IconRenderer } from './icon-renderer'

const demo = ['quayside', 'quayside-solid', 'skerry-app'].flatMap((name) => {
  const { rules, icons } = readSetFile(readFileSync(`demo/${name}.wisesquare.json`, 'utf8')).set!
  return icons.map((icon) => new IconRenderer(icon, rules, null))
})
const folder = join(dirname(createRequire(import.meta.url).resolve('lucide-static/package.json')), 'icons')
const files = readdirSync(folder).sort()
const others = files
  .filter((_, i) => i % Math.floor(files.length / 60) === 0)
  .map((file): Icon => ({
    id: 'icon',
    name: file,
    masters: [{ base: 24, objects: objectsOf(readFileSync(join(folder, file), 'utf8')) }],
  }))
  .map((icon) => new IconRenderer(icon, starter('interface-24')!.rules, null))

const optimised = (svg: string): string => optimize(svg, { multipass: true, floatPrecision: 3 }).data

/** How far two documents are apart: the mean and the greatest difference of a channel at 96 px, of 255. */
function apart(one: string, other: string): { mean: number; most: number } {
  const [a, b] = [one, other].map((svg) => pixelsOf(svg, 96)) as [Uint8Array, Uint8Array]
  let sum = 0,
    most = 0
  a.forEach((value, i) => {
    const off = Math.abs(value - b[i]!)
    sum += off
    most = Math.max(most, off)
  })
  return { mean: sum / a.length, most }
}

describe('a document as short as can be', () => {
  it.each(['kept', 'outlined'] as const)(
    'is no longer than what a general optimiser makes of it, and paints the same: strokes %s',
    (strokes) => {
      let own = 0,
        theirs = 0
      for (const renderer of [...demo, ...others]) {
        const size = renderer.rules.grid.size,
          plain = renderer.document(size, 'light', strokes),
          compact = renderer.compactDocument(size, 'light', strokes)
        own += compact.length
        theirs += optimised(plain).length
        const { mean, most } = apart(plain, compact)
        // Only single pixels that the edges of two strokes cover in part may differ by more.
        expect([renderer.icon.name, mean < 0.5, most < 80]).toEqual([renderer.icon.name, true, true])
      }
      expect(own).toBeLessThanOrEqual(theirs)
    },
    120_000,
  )
})
