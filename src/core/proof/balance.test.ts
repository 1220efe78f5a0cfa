import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { SAMPLE_RULES } from '../../testing/sample-rules'
import { familySnags } from '../checks/family-snags'
import { ALIKE } from '../checks/family/look-alike'
import type { Sibling } from '../checks/family-check'
import { LookAlikes } from './look-alikes'
import { readPathData } from '../formats/path-reader'
import { readSetFile } from '../formats/set-file'
import { evaluateAll } from '../drawing/evaluate/evaluate'
import { inkOfAll } from '../drawing/scene/ink'
import { type Segment, segmentBounds } from '../geometry/segment'
import { drawingFor } from '../set/masters'
import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import type { DrawingObject } from '../drawing/objects/object'
import { area } from '../geometry/area'
import { combine } from '../planar/boolean'
import { balanceOf } from './balance'
import { broughtIn } from './bring-in'
import { coverOf } from '../raster/cover'
import { likeness } from './look-alikes'
import { crispness } from '../geometry/crispness'
import { oklab, oklabDistance } from './oklab'
import { runs } from '../../testing/runs'

const scene = sceneOf(SAMPLE_RULES)
const demo = readSetFile(readFileSync('demo/quayside.wisesquare.json', 'utf8')).set!
const ink = { fill: 'ink', stroke: 'none', weight: 'main' } as const
const box = (x: number, y: number, w: number, h: number): DrawingObject => ({
  kind: 'rectangle',
  id: 'b',
  name: 'b',
  x,
  y,
  w,
  h,
  corner: 0,
  style: ink,
})
const disc = (x: number, y: number, r: number): DrawingObject => ({
  kind: 'ellipse',
  id: 'd',
  name: 'd',
  x: x - r,
  y: y - r,
  w: 2 * r,
  h: 2 * r,
  style: ink,
})
const of = (...objects: DrawingObject[]) => balanceOf(objects, scene, SAMPLE_RULES)!

describe('how much of each pixel is covered', () => {
  it('adds up to the area, whatever the shape, holes taken away', () => {
    const part = fc.record({
      x: fc.integer({ min: 2, max: 16 }),
      y: fc.integer({ min: 2, max: 16 }),
      r: fc.integer({ min: 2, max: 6 }),
    })
    fc.assert(
      fc.property(fc.array(part, { minLength: 1, maxLength: 4 }), (parts) => {
        const path = combine(
          parts.map(({ x, y, r }, i) => ({
            path: readPathData(`M${x} ${y + r}a${r} ${r} 0 1 1 ${2 * r} 0a${r} ${r} 0 1 1 ${-2 * r} 0z`),
            role: i % 2 ? ('flips' as const) : ('adds' as const),
          })),
        )
        const cover = coverOf(path, 32, 32)
        expect(Math.max(...cover)).toBeLessThanOrEqual(1 + 1e-6)
        const inside = cover.reduce((sum, one) => sum + one, 0)
        expect(Math.abs(inside - area(path))).toBeLessThan(0.02 * area(path) + 0.1)
      }),
      runs(60),
    )
  })

  it('is exact for what lies on half pixels', () => {
    const cover = coverOf(readPathData('M4 4H10.5V8H4z'), 24, 24)
    expect(cover[4 * 24 + 9]).toBeCloseTo(1, 6)
    expect(cover[4 * 24 + 10]).toBeCloseTo(0.5, 6)
    expect(cover[4 * 24 + 11]).toBe(0)
    expect(cover[8 * 24 + 5]).toBe(0)
  })
})

describe('crispness', () => {
  it('is the share of straight edges on pixels, at any size', () => {
    const path = readPathData('M4 4H20V11H4z')
    expect(crispness(path, 24, 24)).toMatchObject({ length: 46, crisp: 46, blurred: [], greys: 0 })
    // At 16 pixels the sides lie at 2.67 and 13.33, the top at 2.67, the bottom at 7.33.
    expect(crispness(path, 24, 16)).toMatchObject({ length: 46, crisp: 0 })
    expect(crispness(path, 24, 12)).toMatchObject({ crisp: 30, blurred: [{ off: 0.5 }], greys: 8 })
    expect(crispness(path, 24, 12).blurred[0]).toMatchObject({ from: { y: 11 }, to: { y: 11 } })
  })

  it('is seen in the pixels: beside a crisp edge each is full or empty where nothing else passes, and else one is grey', () => {
    const { icons, rules } = demo
    let looked = 0
    for (const icon of icons)
      for (const size of rules.sizes) {
        const { objects, rules: book } = drawingFor(icon, rules, size)
        const ink = inkOfAll(evaluateAll(objects, sceneOf(book))),
          k = size / book.grid.size
        const cover = coverOf(ink, book.grid.size, size)
        const isClear = (x: number, y: number, but: Segment) =>
          !ink.some(({ segments }) =>
            segments.some((one) => {
              const box = segmentBounds(one)
              return (
                one !== but &&
                box.x * k < x + 1 &&
                (box.x + box.w) * k > x &&
                box.y * k < y + 1 &&
                (box.y + box.h) * k > y
              )
            }),
          )
        const blurred = new Set(
          crispness(ink, book.grid.size, size).blurred.map(({ from, to }) => `${from.x} ${from.y} ${to.x} ${to.y}`),
        )
        for (const { segments } of ink)
          for (const edge of segments) {
            const { kind, from, to } = edge
            const along = from.y === to.y ? 'x' : 'y',
              across = along === 'x' ? 'y' : 'x'
            if (kind !== 'line' || from[across] !== to[across]) continue
            const [start, end] = [from[along] * k, to[along] * k].sort((a, b) => a - b) as [number, number]
            const isBlurred = blurred.has(`${from.x} ${from.y} ${to.x} ${to.y}`),
              boundary = Math.round(from[across] * k)
            for (let i = Math.ceil(start); i + 1 <= end; i++) {
              const beside = [boundary - 1, boundary].map(
                (at) => (along === 'x' ? [i, at] : [at, i]) as [number, number],
              )
              if (!beside.every(([x, y]) => x >= 0 && y >= 0 && x < size && y < size && isClear(x, y, edge))) continue
              const greys = beside.filter(([x, y]) => Math.abs(cover[y * size + x]! - 0.5) < 0.5 - 1.5 / 255)
              expect(greys.length, `${icon.name} ${size} ${from.x} ${from.y}`).toBe(isBlurred ? 1 : 0)
              looked++
            }
          }
      }
    expect(looked).toBeGreaterThan(1000)
  })
})

describe('what an icon comes to by eye', () => {
  it('a disc is round, a square is as much of its circle as a square is, and both are in the middle', () => {
    const round = of(disc(12, 12, 9)),
      square = of(box(4, 4, 16, 16))
    expect(round.roundness).toBeCloseTo(1, 2)
    expect(square.roundness).toBeCloseTo(2 / Math.PI, 2)
    expect(square).toMatchObject({ w: 16, h: 16, centre: { x: 0, y: 0 } })
    expect(square.across).toBeCloseTo(16 * Math.SQRT2, 2)
    expect(square.weight / of(box(4, 4, 8, 16)).weight).toBeCloseTo(2, 1)
  })

  it('the plate is ground, and what is painted like it weighs nothing', () => {
    const plate: DrawingObject = {
      kind: 'plate',
      id: 'p',
      name: 'p',
      plate: 'disc',
      at: { x: 12, y: 12 },
      style: { ...ink, fill: '#d5401b' },
    }
    const front = (fill: string): DrawingObject => ({
      ...(box(6, 6, 12, 12) as Extract<DrawingObject, { kind: 'rectangle' }>),
      style: { ...ink, fill },
    })
    expect(of(plate, front('#d5401b')).weight).toBeCloseTo(0, 6)
    expect(of(plate, front('#ffffff')).weight).toBeGreaterThan(0.1)
    expect(of(plate, front('#ffffff')).w).toBe(12)
  })

  it('is as alike as two pictures are: one with itself wholly, with what it does not touch not at all', () => {
    const [a, b] = [of(box(0, 0, 8, 24)), of(box(16, 0, 8, 24))]
    expect(likeness(a.cover, a.cover)).toBe(1)
    expect(likeness(a.cover, b.cover)).toBe(0)
    const family = [
      { id: 'a', name: 'quay', balance: of(disc(12, 12, 9)), accepted: [] },
      { id: 'b', name: 'pier', balance: of(disc(12, 12, 9.2)), accepted: [] },
      { id: 'c', name: 'mast', balance: of(box(11, 1, 2, 22)), accepted: [] },
      {
        id: 'd',
        name: 'Old mast',
        balance: of(box(1, 11, 22, 2)),
        accepted: [{ check: 'too-light', objects: [], reason: 'A mast.' }],
      },
    ]
    expect(new LookAlikes<Sibling>(ALIKE).pairs(family).map(({ a: one, b: other }) => [one.name, other.name])).toEqual([
      ['quay', 'pier'],
    ])
    const snags = familySnags(family, { ...SAMPLE_RULES, naming: 'kebab-case' })
    expect(snags.get('a')).toMatchObject([
      { check: 'too-heavy' },
      { check: 'look-alike', sentence: expect.stringContaining('“pier”') },
    ])
    expect(snags.get('c')).toMatchObject([{ check: 'too-light' }])
    expect(snags.get('d')).toMatchObject([{ check: 'name-pattern' }])
  })
})

describe('colours as they look', () => {
  it('have the lightness of their greys, and are as far from each other as they are seen', () => {
    expect(oklab('#ffffff')[0]).toBeCloseTo(1, 4)
    expect(oklab('#000000')[0]).toBeCloseTo(0, 4)
    // The published value of pure red.
    expect(oklab('#ff0000').map((one) => one.toFixed(3))).toEqual(['0.628', '0.225', '0.126'])
    expect(oklabDistance('#14231f', '#14241f')).toBeLessThan(0.02)
    expect(oklabDistance('#d5401b', '#11807f')).toBeGreaterThan(0.2)
  })
})

describe('an icon that stands out of its family', () => {
  it('is brought to the size of it, or as near as the live area lets it', () => {
    fc.assert(
      fc.property(fc.integer({ min: 6, max: 20 }), fc.integer({ min: 8, max: 22 }), (own, middle) => {
        const objects = [disc(12, 12, own / 2)]
        const next = broughtIn(objects, of(...objects), SAMPLE_RULES, 'size', own, middle)
        const is = next ? of(...next).w : own
        expect(is).toBeLessThanOrEqual(SAMPLE_RULES.liveArea + 1e-9)
        // Never beyond the family, and never farther from it than before.
        expect(Math.abs(is - middle)).toBeLessThanOrEqual(Math.abs(own - middle) + 1e-9)
        if (next) expect((is - own) * (middle - own)).toBeGreaterThan(0)
      }),
    )
  })

  it('balances in the middle once it is shifted, and weighs less once it is smaller', () => {
    const objects = [box(3, 5, 9, 6), disc(17, 15, 3)]
    const shifted = broughtIn(objects, of(...objects), SAMPLE_RULES, 'off', 1, 0)!
    expect(Math.hypot(of(...shifted).centre.x, of(...shifted).centre.y)).toBeLessThan(1e-3)
    const heavy = [box(3, 3, 18, 18)],
      { weight } = of(...heavy)
    const lighter = broughtIn(heavy, of(...heavy), SAMPLE_RULES, 'weight', weight, weight * 0.9)!
    expect(of(...lighter).weight).toBeCloseTo(weight * 0.9, 1)
    expect(broughtIn([{ ...heavy[0]!, locked: true }], of(...heavy), SAMPLE_RULES, 'weight', 1, 2)).toBeNull()
  })

  it('tells strokes from fills', () => {
    const lined = { ...box(4, 4, 12, 12), style: { fill: 'none', stroke: 'ink', weight: 2 } } as DrawingObject
    expect([of(box(4, 4, 12, 12)).strokes, of(lined).strokes]).toEqual([0, 1])
    // A square of 12 with a stroke of 2 along it: 144 filled, 96 less what its corners round off stroked.
    const both = { ...lined, style: { ...ink, stroke: 'ink', weight: 2, join: 'miter' } } as DrawingObject
    expect(of(both).strokes).toBeCloseTo(96 / (144 + 96), 3)
  })
})
