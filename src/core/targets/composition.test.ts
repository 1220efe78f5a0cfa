import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readSetFile } from '../formats/set-file'
import { area } from '../geometry/area'
import { ellipse, type Path, polyline } from '../geometry/path'
import { inkOfAll } from '../drawing/scene/ink'
import { combine } from '../planar/boolean'
import type { Icon } from '../set/set'
import { starter } from '../rules/starters'
import { pixelsOf } from '../../testing/rasterise'
import { straightened } from './android/straightened'
import { bled } from './bleed'
import { svgOfPicture } from '../picture/svg'
import { composedIcon, type Composition, isAtEdge } from './composition'
import { IconRenderer } from './icon-renderer'
import { coloursOf, emblem, greyed, shades, silhouette, visible } from './tone'
import { runs } from '../../testing/runs'

const { rules, icons } = readSetFile(readFileSync('demo/skerry-app.wisesquare.json', 'utf8')).set!
const apps = icons.map((icon) => new IconRenderer(icon, rules, null))
const book = starter('interface-24')!.rules

/** An icon of rectangles, one over the other, without a plate. */
const stacked = (boxes: readonly { x: number; y: number; w: number; h: number; fill: string }[]): IconRenderer => {
  const icon: Icon = {
    id: 'icon',
    name: 'icon',
    masters: [
      {
        base: 24,
        objects: boxes.map(({ fill, ...box }, i) => ({
          kind: 'rectangle',
          id: `box-${i}`,
          name: `Box ${i}`,
          corner: 0,
          ...box,
          style: { fill, stroke: 'none', weight: 1 },
        })),
      },
    ],
  } as Icon
  return new IconRenderer(icon, book, null)
}

const documentOf = (...of: Parameters<typeof composedIcon>) => svgOfPicture(composedIcon(...of))
const SIDE = 128
const full: Composition = { share: 1, plate: 'full', fallback: '#fbfcfb', ground: 'light' }

describe('an application’s icon', () => {
  it('goes from edge to edge, and keeps its figure within the circle that no mask cuts', () => {
    // A cast goes to the edge, wherever the figure lies, and what is drawn for the edge stays there.
    expect(apps.filter((one) => isAtEdge(one, 512)).map((one) => one.icon.name)).toEqual(['banded-buoy', 'breaker'])
    for (const renderer of apps.filter((one) => one.castIds(512).size === 0 && !isAtEdge(one, 512))) {
      const whole = pixelsOf(documentOf(renderer, 512, { ...full, safe: 0.8 }), SIDE)
      const ground = pixelsOf(documentOf(renderer, 512, { ...full, figure: () => [] }), SIDE)
      for (let y = 0; y < SIDE; y++)
        for (let x = 0; x < SIDE; x++) {
          const i = 4 * (y * SIDE + x)
          expect(whole[i + 3]).toBe(255)
          const away = Math.hypot(x + 0.5 - SIDE / 2, y + 0.5 - SIDE / 2)
          if (away > 0.4 * SIDE + 1.5)
            for (let k = 0; k < 3; k++)
              expect(Math.abs(whole[i + k]! - ground[i + k]!), renderer.icon.name).toBeLessThanOrEqual(2)
        }
    }
  })

  it('leaves nothing of its plate in the corners where something runs along its edge, and all as it was within', () => {
    for (const renderer of apps.filter((one) => isAtEdge(one, 512))) {
      const pixels = pixelsOf(documentOf(renderer, 512, full), SIDE),
        own = pixelsOf(documentOf(renderer, 512, { ...full, plate: 'own' }), SIDE)
      const at = (of: ArrayLike<number>, x: number, y: number) => [0, 1, 2, 3].map((k) => of[4 * (y * SIDE + x) + k]!)
      const sea = at(own, SIDE / 2, SIDE - 2)
      for (let x = 0; x < SIDE; x++) expect(at(pixels, x, SIDE - 1), renderer.icon.name).toEqual(sea)
      for (let y = 0; y < SIDE; y++)
        for (let x = 0; x < SIDE; x++)
          if (Math.hypot(x - SIDE / 2, y - SIDE / 2) < 0.47 * SIDE)
            at(pixels, x, y).forEach((value, k) => expect(Math.abs(value - at(own, x, y)[k]!)).toBeLessThanOrEqual(2))
    }
  })

  it('grows at its edge alone: of a disc cut by any line the part beyond the plate is added, and nothing within', () => {
    const disc = [ellipse({ x: 12, y: 12 }, 10, 10)]
    const fill = { name: '', light: '#11807f', dark: '#11807f', ink: false, opacity: 1 }
    const both = (a: Path, b: Path) =>
      area(
        combine([
          { path: a, role: 'adds' },
          { path: b, role: 'overlap' },
        ]),
      )
    fc.assert(
      fc.property(
        fc.double({ min: -9.5, max: 9.5, noNaN: true }),
        fc.double({ min: 0, max: 6.3, noNaN: true }),
        (off, turn) => {
          const [u, v] = [Math.cos(turn), Math.sin(turn)]
          const half = polyline(
            [
              [off, -30],
              [off, 30],
              [40, 30],
              [40, -30],
            ].map(([a, b]) => ({ x: 12 + a! * u - b! * v, y: 12 + a! * v + b! * u })),
            true,
          )
          const cut = combine([
            { path: disc, role: 'adds' },
            { path: [half], role: 'overlap' },
          ])
          const [grown] = bled([{ id: 'sea', path: cut, fill, stroke: null }], disc)
          expect(both(grown!.path, disc)).toBeCloseTo(area(cut), 2)
          // Outside it is the sector of the arc that the line leaves of the disc, from the edge outwards.
          const arc = 2 * Math.acos(off / 10)
          expect(area(grown!.path) - area(cut)).toBeCloseTo((arc / 2) * 100 * (1.5 ** 2 - 1), -0.5)
        },
      ),
      runs(40),
    )
    const inner = { id: 'x', path: [ellipse({ x: 12, y: 12 }, 9, 9)], fill, stroke: null }
    expect(bled([inner], disc)).toEqual([inner])
  })

  it('is as large as it was where it lies in that circle already', () => {
    const small = stacked([{ x: 9, y: 9, w: 6, h: 6, fill: '#11807f' }])
    expect(documentOf(small, 24, { ...full, safe: 0.8 })).toBe(documentOf(small, 24, full))
    const large = stacked([{ x: 1, y: 1, w: 22, h: 22, fill: '#11807f' }])
    expect(documentOf(large, 24, { ...full, safe: 0.8 })).not.toBe(documentOf(large, 24, full))
  })

  it('in greys has no colour left, and what stands out most is white', () => {
    for (const renderer of apps) {
      const { figure } = renderer.layers(512)
      const greys = coloursOf(greyed(figure, '#11807f'))
      for (const grey of greys) expect(grey).toMatch(/^#(..)\1\1$/)
      expect(greys).toContain('#ffffff')
    }
  })
})

const box = fc.record({
  x: fc.integer({ min: 0, max: 16 }),
  y: fc.integer({ min: 0, max: 16 }),
  w: fc.integer({ min: 1, max: 8 }),
  h: fc.integer({ min: 1, max: 8 }),
  fill: fc.constantFrom('#14231f', '#fbfcfb', '#d5401b', '#11807f'),
})

describe('what is seen of shapes', () => {
  it('covers what all of them cover, and no place twice', () => {
    fc.assert(
      fc.property(fc.array(box, { minLength: 1, maxLength: 6 }), (boxes) => {
        const shapes = stacked(boxes).shapes(24)
        const parts = visible(shapes)
        const sum = parts.reduce((total, { path }) => total + Math.abs(area(path)), 0)
        expect(sum).toBeCloseTo(Math.abs(area(combine([{ path: inkOfAll(shapes), role: 'adds' }]))), 6)
        // The highest is seen whole.
        expect(Math.abs(area(parts.at(-1)!.path))).toBeCloseTo(boxes.at(-1)!.w * boxes.at(-1)!.h, 6)
      }),
      runs(150),
    )
  })

  it('is a silhouette with holes where what lies on top is the ground’s colour', () => {
    const { figure } = stacked([
      { x: 4, y: 4, w: 16, h: 16, fill: '#14231f' },
      { x: 8, y: 8, w: 4, h: 4, fill: '#ffffff' },
    ]).layers(24)
    expect(Math.abs(area(silhouette(figure, '#ffffff')))).toBeCloseTo(16 * 16 - 16, 6)
    // On the dark only the hole is left.
    expect(Math.abs(area(silhouette(figure, '#14231f')))).toBeCloseTo(16, 6)
    expect(Math.max(...shades(figure, '#ffffff').map(({ share }) => share))).toBe(1)
  })

  it('of an icon with a plate as one shape is the plate with its figure cut out', () => {
    for (const renderer of apps) {
      const layers = renderer.layers(512)
      const plate = Math.abs(area(inkOfAll(layers.plate))),
        left = Math.abs(area(emblem(layers)))
      expect(left, renderer.icon.name).toBeLessThan(plate)
      expect(left).toBeGreaterThan(0.2 * plate)
    }
  })
})

describe('an ellipse of a gradient', () => {
  it('is laid by turning and scaling a circle, whatever map made it', () => {
    const number = fc.double({ min: -20, max: 20, noNaN: true })
    fc.assert(
      fc.property(fc.tuple(number, number, number, number), ([a, b, c, d]) => {
        fc.pre(Math.abs(a * d - b * c) > 0.01)
        const found = straightened([a, b, c, d, 3, 4])
        const gram = ([p, q, r, s]: readonly number[]) => [p! * p! + r! * r!, p! * q! + r! * s!, q! * q! + s! * s!]
        if (!found) {
          // A circle: both columns as long, and at right angles.
          expect(a * c + b * d).toBeCloseTo(0, 2)
          return
        }
        const cos = Math.cos((found.turn * Math.PI) / 180),
          sin = Math.sin((found.turn * Math.PI) / 180)
        const map = [found.sx * cos, found.sx * sin, -found.sy * sin, found.sy * cos]
        map.forEach((value, i) => expect(value).toBeCloseTo(found.map[i]!, 6))
        gram([a, b, c, d]).forEach((value, i) => expect(gram(map)[i]).toBeCloseTo(value, 4))
      }),
    )
  })
})
