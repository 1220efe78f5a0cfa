import { readdirSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { simple } from '../../../../testing/arbitrary'
import { runs } from '../../../../testing/runs'
import { transformObject } from '../../../drawing/objects/transform-object'
import { evaluateAll } from '../../../drawing/evaluate/evaluate'
import { inkOfAll } from '../../../drawing/scene/ink'
import { nodesOf } from '../../../drawing/model/nodes'
import { type DrawingObject, isStyled, type OfKind } from '../../../drawing/objects/object'
import { isShared } from '../../../drawing/model/style'
import { walk } from '../../../drawing/objects/tree'
import { polyline, transformPath } from '../../../geometry/path'
import { rotation, type Transform, translation } from '../../../geometry/transform'
import { pixelsOf } from '../../../raster/raster'
import { rasterised } from '../../../../testing/rasterised'
import { svgOfShapes } from '../../../picture/svg'
import { onGrid } from '../on-grid'
import { isFailed, readIcon } from '../read-icon'
import { imagesBack } from './images-back'
import { scene } from './piece'

const WITHIN = 0.01
const BLACK = '#000000'

/** A bent line that is no image of itself, where a map takes it. */
const hook = (id: string, map: Transform, stroke = BLACK): DrawingObject => {
  const bent = polyline(
    [
      { x: 15, y: 10.5 },
      { x: 18, y: 11 },
      { x: 19, y: 13.5 },
    ],
    false,
  )
  const style = { fill: 'none', stroke, weight: 2, cap: 'round', join: 'round' }
  const contours = transformPath([bent], map).map((contour) => nodesOf(contour))
  return { kind: 'path', id, name: id, corner: 0, style, contours } as DrawingObject
}

const pixels = (objects: readonly DrawingObject[]): Uint8ClampedArray => {
  const path = inkOfAll(evaluateAll(objects, scene))
  const paint = { kind: 'flat', colour: [0, 0, 0, 1] } as const
  return pixelsOf({ box: { x: 0, y: 0, w: 24, h: 24 }, items: [{ kind: 'area', path, rule: 'nonzero', paint }] }, 96)
    .data
}

/** The share of the ink by which two drawings differ. */
function difference(a: readonly DrawingObject[], b: readonly DrawingObject[]): number {
  const [one, other] = [pixels(a), pixels(b)]
  let off = 0,
    ink = 0
  for (let i = 3; i < one.length; i += 4) {
    off += Math.abs(one[i]! - other[i]!)
    ink += one[i]!
  }
  return off / Math.max(1, ink)
}

/** What files are read as. */
const SHAPES = ['path', 'line', 'ellipse', 'rectangle', 'polygon']
const shape = simple.filter((one) => SHAPES.includes(one.kind) && isStyled(one) && !isShared(one.style))

const MIRRORED: Transform = [-1, 0, 0, 1, 24, 0]
const center = { x: 12, y: 12 }

describe('what is drawn several times', () => {
  it('turned about a place is a repeat with so many copies, all around or in a fan, in whatever order they are painted', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 12 }),
        fc.integer({ min: 20, max: 60 }),
        fc.boolean(),
        fc.nat(),
        (count, step, isFan, seed) => {
          fc.pre(!isFan || step * count < 330)
          const by = isFan ? step : 360 / count
          const copies = Array.from({ length: count }, (_, i) => hook(`h${i}`, rotation(i * by + 7, center)))
          const shuffled = copies.toSorted(
            (a, b) => ((seed >> Number(a.id.slice(1))) & 1) - ((seed >> Number(b.id.slice(1))) & 1),
          )
          const [repeat, ...more] = imagesBack(shuffled, WITHIN) as OfKind<'repeat'>[]
          expect(more).toEqual([])
          expect(repeat!.course).toMatchObject({ by: 'turn', count })
          expect(difference(copies, [repeat!])).toBeLessThan(0.005)
        },
      ),
      runs(30),
    )
  })

  it('in rows and columns is a lattice; with one missing, or one elsewhere, it is left as it is', () => {
    const grid = Array.from({ length: 6 }, (_, i) =>
      hook(`h${i}`, translation((i % 3) * 3.5 - 14, Math.floor(i / 3) * 6 - 6)),
    )
    const [repeat] = imagesBack(grid, WITHIN) as OfKind<'repeat'>[]
    expect(repeat!.course).toMatchObject({ by: 'lattice', columns: 3, rows: 2, across: { x: 3.5 }, down: { y: 6 } })
    expect(difference(grid, [repeat!])).toBeLessThan(1e-4)
    expect(imagesBack(grid.slice(1), WITHIN)).toEqual(grid.slice(1))
    const aside = grid.map((one, i) => (i === 4 ? hook('h4', translation(-10.2, 0)) : one))
    expect(imagesBack(aside, WITHIN)).toEqual(aside)
  })

  it('in one half and the other is a mirror; not where colours between would be painted in another order, or caps would be lost', () => {
    const half = [hook('a', translation(1, 0)), hook('b', translation(0, 6))],
      whole = [...half, ...half.map((_, i) => hook(`m${i}`, [-1, 0, 0, 1, i === 0 ? 23 : 24, i === 0 ? 0 : 6]))]
    const [mirror] = imagesBack(whole, WITHIN) as OfKind<'mirror'>[]
    expect(mirror).toMatchObject({ kind: 'mirror', angle: 90, members: [{}, {}] })
    expect(difference(whole, [mirror!])).toBeLessThan(1e-4)
    const bar = {
      kind: 'rectangle',
      id: 'bar',
      name: 'bar',
      x: 2,
      y: 10,
      w: 20,
      h: 4,
      corner: 0,
      style: { fill: '#d5401b', stroke: 'none', weight: 1 },
    } as DrawingObject
    const between = [hook('a', translation(0, 0)), bar, hook('b', MIRRORED)]
    expect(imagesBack(between, WITHIN)).toEqual(between)
    const joined = [hook('a', translation(-3, 0)), hook('b', [-1, 0, 0, 1, 27, 0])]
    expect(imagesBack(joined, WITHIN)).toEqual(joined)
  })

  it('draws the same picture, whatever it is, however it is painted and whatever is painted between', () => {
    let fewer = 0
    fc.assert(
      fc.property(shape, shape, fc.integer({ min: 2, max: 6 }), fc.nat(2), fc.nat(5), (one, other, count, way, at) => {
        const maps: Transform[] =
          way === 0
            ? Array.from({ length: count }, (_, i) => rotation((i * 360) / count, center))
            : way === 1
              ? Array.from({ length: count }, (_, i) => translation(2.5 * i, 0))
              : [translation(0, 0), MIRRORED]
        const copies = maps.map((map, i) => ({ ...transformObject(one, map), id: `c${i}`, name: `c${i}` }))
        const list = at % 2 === 0 ? copies : copies.toSpliced(at % maps.length, 0, { ...other, id: 'b', name: 'b' })
        const next = imagesBack(list, WITHIN)
        if (next === list) return
        fewer++
        const [was, is] = [list, next].map(
          (objects) => rasterised(svgOfShapes(evaluateAll(objects, scene), 24, 'light'), 96).data,
        )
        const off = was!.reduce((sum, value, i) => sum + Math.abs(value - is![i]!), 0)
        expect(off).toBeLessThan(0.006 * was!.reduce((sum, value) => sum + value, 1))
      }),
      runs(1500),
    )
    expect(fewer).toBeGreaterThan(0)
  })

  it('of a folder draws the same picture with fewer objects', () => {
    const folder = join(dirname(createRequire(import.meta.url).resolve('lucide-static/package.json')), 'icons')
    const files = readdirSync(folder).filter((name) => name.endsWith('.svg'))
    let fewer = 0
    for (const path of files.filter((_, i) => i % Math.max(1, Math.round(2100 / runs(300).numRuns)) === 0)) {
      const read = readIcon({ path, text: readFileSync(join(folder, path), 'utf8') })
      if (isFailed(read)) continue
      const objects = onGrid(read, 24),
        next = imagesBack(objects, WITHIN)
      if (next === objects) continue
      expect(difference(objects, next), path).toBeLessThan(0.005)
      expect([...walk(next)].filter(({ object }) => !('members' in object)).length).toBeLessThan(objects.length)
      fewer++
    }
    expect(fewer).toBeGreaterThan(2)
  })
})
