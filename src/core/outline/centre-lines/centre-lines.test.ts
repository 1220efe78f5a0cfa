import { readdirSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { SAMPLE_RULES } from '../../../testing/sample-rules'
import { objectsOf } from '../../../testing/icon-objects'
import { runs } from '../../../testing/runs'
import { random } from '../../../testing/shapes'
import { evaluateAll } from '../../drawing/evaluate/evaluate'
import { sceneOf } from '../../drawing/evaluate/evaluated-scene'
import { inkOfAll } from '../../drawing/scene/ink'
import { shortest } from '../../formats/import/live'
import { readPathData } from '../../formats/path-reader'
import { area } from '../../geometry/area'
import type { Contour, Path } from '../../geometry/path'
import { line } from '../../geometry/segment'
import { combine } from '../../planar/boolean'
import { strokedArea } from '../stroking'
import { centreLines } from './centre-lines'

const WITHIN = 0.01
const strokesOf = (outline: Path) => centreLines(outline, WITHIN, shortest).flatMap(({ stroked }) => stroked ?? [])
const difference = (a: Path, b: Path): number =>
  Math.abs(
    area(
      combine([
        { path: a, role: 'adds' },
        { path: b, role: 'flips' },
      ]),
    ),
  )

const folder = join(dirname(createRequire(import.meta.url).resolve('lucide-static/package.json')), 'icons')
const files = readdirSync(folder).filter((name) => name.endsWith('.svg'))

describe('the centre lines of an outline', () => {
  it('are the lines that were stroked, whatever their ends, joins and crossings', () => {
    const half = fc.integer({ min: 4, max: 44 }).map((n) => n / 2)
    fc.assert(
      fc.property(
        fc.array(fc.record({ x: half, y: half }), { minLength: 2, maxLength: 5 }),
        fc.constantFrom('round' as const, 'butt' as const),
        fc.constantFrom('round' as const, 'miter' as const, 'bevel' as const),
        fc.constantFrom(0.75, 1.5, 2),
        (places, cap, join, width) => {
          const contour: Contour = {
            closed: false,
            segments: places
              .slice(1)
              .map((p, i) => line(places[i]!, p))
              .filter(({ from, to }) => from.x !== to.x || from.y !== to.y),
          }
          if (contour.segments.length === 0) return
          const outline = strokedArea([contour], { width, cap, join, miterLimit: 10 })
          const found = strokesOf(outline)
          // What is found is never another picture; a single line as long as it is wide is always found.
          const again = found.flatMap(({ path, stroke }) => strokedArea(path, stroke))
          if (found.length > 0) expect(difference(again, outline)).toBeLessThan(0.02 * area(outline) + 0.02)
          const [first] = contour.segments
          const isLong = Math.hypot(first!.to.x - first!.from.x, first!.to.y - first!.from.y) >= width
          if (contour.segments.length === 1 && cap === 'round' && isLong) {
            expect(found).toHaveLength(1)
            const [only, ...more] = found[0]!.path.flatMap(({ segments }) => segments)
            expect(more).toEqual([])
            const ends = [only!.from, only!.to].map(({ x, y }) => `${x} ${y}`).sort()
            expect(ends).toEqual(places.map(({ x, y }) => `${x} ${y}`).sort())
          }
        },
      ),
      runs(150),
    )
  })

  it('are found in nine of ten pieces of icons that were outlined, with their weight', () => {
    const next = random(5)
    let all = 0,
      found = 0
    for (let i = 0; i < runs(40).numRuns; i++) {
      const name = files[Math.floor(next() * files.length)]!
      const objects = objectsOf(readFileSync(join(folder, name), 'utf8'))
      const pieces = centreLines(inkOfAll(evaluateAll(objects, sceneOf(SAMPLE_RULES))), WITHIN, shortest)
      for (const { area: outline, stroked } of pieces) {
        all++
        if (!stroked) continue
        found++
        expect(stroked.stroke.width, name).toBe(2)
        expect(difference(strokedArea(stroked.path, stroked.stroke), outline), name).toBeLessThan(0.01 * area(outline))
      }
    }
    expect(found / all).toBeGreaterThan(0.88)
  })

  it('are none of what no stroke paints', () => {
    for (const solid of [
      'M12 2a10 10 0 1 0 0 20 10 10 0 0 0 0-20z',
      'M12 3 14 10H21L15 14 17 21 12 17 7 21 9 14 3 10H10z',
      'M4 4h16v16h-16z',
      'M4 20c0-9 7-16 16-16-2 9-8 15-16 16z',
      'M4 11h9V6l7 6-7 6v-5H4z',
    ])
      expect(strokesOf(readPathData(solid)), solid).toEqual([])
  })

  it('are never lines of no length, in a wisp that was written with one digit', () => {
    const wisp =
      'M8.1 11.2A1.1 1.1 0 0 1 7.1 12C6.4 11.8 6 11.6 6 11 6.1 10.7 6.3 8.9 8.3 7.4 10 6.4 9.9 4.9 10 4.8 10.2 4.4 10.7 3.9 11.1 4.2 11.7 4.3 12 4.8 11.9 5.2 11.9 5.1 11.7 7 9.6 8.7 8.1 9.9 8 11.2 8.1 11.1Z'
    for (const within of [0.01, 0.0133])
      for (const { stroked } of centreLines(readPathData(wisp), within, shortest))
        for (const { segments } of stroked?.path ?? []) expect(segments.length).toBeGreaterThan(0)
  })
})
