import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sampledPicture } from '../../testing/sampled-picture'
import { area } from '../geometry/area'
import { ellipse, type Path, polyline, transformPath } from '../geometry/path'
import type { Point } from '../geometry/point'
import { strokedArea } from '../outline/stroking'
import type { Area, Colour, Group, Item } from './items'
import { type Pixels, pixelsOf } from './raster'
import { runs } from '../../testing/runs'

const INK: Colour = [20 / 255, 35 / 255, 31 / 255, 1],
  SIGNAL: Colour = [214 / 255, 64 / 255, 26 / 255, 1]
const painted = (path: Path, colour: Colour = INK, rule: Area['rule'] = 'nonzero'): Area => ({
  kind: 'area',
  path,
  rule,
  paint: { kind: 'flat', colour },
})
const group = (items: Item[], more: Partial<Group>): Group => ({
  kind: 'group',
  items,
  opacity: 1,
  mask: null,
  shadow: null,
  ...more,
})
const shape = (...points: readonly (readonly [number, number])[]): Path => [
  polyline(
    points.map(([x, y]) => ({ x, y })),
    true,
  ),
]
const box = (x: number, y: number, w: number, h: number) => shape([x, y], [x + w, y], [x + w, y + h], [x, y + h])
const drawn = (items: Item[], width = 16, side = width): Pixels =>
  pixelsOf({ box: { x: 0, y: 0, w: side, h: side }, items }, width)
const alphas = ({ data }: Pixels) => Array.from(data).filter((_, i) => i % 4 === 3)
const pixel = ({ data, width }: Pixels, x: number, y: number) => [
  ...data.subarray(4 * (y * width + x), 4 * (y * width + x) + 4),
]
const most = (a: ArrayLike<number>, b: ArrayLike<number>) =>
  Array.from(a).reduce((far, value, i) => Math.max(far, Math.abs(value - b[i]!)), 0)

/** The area of a polygon within a pixel: cut by its four sides in turn (Sutherland and Hodgman). */
function withinPixel(points: readonly Point[], x: number, y: number): number {
  const sides: ((p: Point) => number)[] = [(p) => p.x - x, (p) => x + 1 - p.x, (p) => p.y - y, (p) => y + 1 - p.y]
  const left = sides.reduce<readonly Point[]>(
    (list, side) =>
      list.flatMap((p, i) => {
        const q = list[(i + 1) % list.length]!,
          [a, b] = [side(p), side(q)]
        const cut = { x: p.x + ((q.x - p.x) * a) / (a - b), y: p.y + ((q.y - p.y) * a) / (a - b) }
        return [...(a >= 0 ? [p] : []), ...(a >= 0 !== b >= 0 ? [cut] : [])]
      }),
    points,
  )
  return Math.abs(
    left.reduce((sum, p, i) => {
      const q = left[(i + 1) % left.length]!
      return sum + (p.x * q.y - q.x * p.y) / 2
    }, 0),
  )
}

/** The area of a disc within a pixel, by the heights of its chords. */
function discWithin({ x: cx, y: cy }: Point, r: number, x: number, y: number): number {
  const LINES = 4000
  let sum = 0
  for (let i = 0; i < LINES; i++) {
    const dx = x + (i + 0.5) / LINES - cx,
      half = Math.sqrt(Math.max(0, r * r - dx * dx))
    sum += Math.max(0, Math.min(y + 1, cy + half) - Math.max(y, cy - half))
  }
  return sum / LINES
}

const place = fc.double({ min: -6, max: 22, noNaN: true })

describe('pixels', () => {
  it('are covered by triangles as their exact area within them says, wherever they reach', () => {
    fc.assert(
      fc.property(fc.tuple(place, place, place, place, place, place), ([a, b, c, d, e, f]) => {
        const points = [
          { x: a, y: b },
          { x: c, y: d },
          { x: e, y: f },
        ]
        const found = alphas(drawn([painted([polyline(points, true)])]))
        const exact = found.map((_, i) => 255 * withinPixel(points, i % 16, Math.floor(i / 16)))
        expect(most(found, exact)).toBeLessThanOrEqual(0.51)
      }),
      runs(300),
    )
  })

  it('are covered by discs and rings as closed forms say, and their sum is the area', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.4, max: 7, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0.1, max: 0.9, noNaN: true }),
        (r, off, hole) => {
          const centre = { x: 8 + off, y: 8 - off / 3 },
            inner = r * hole
          const ring = [painted([ellipse(centre, r, r), ellipse(centre, inner, inner)], INK, 'evenodd')]
          const found = alphas(drawn(ring))
          const exact = found.map((_, i) => {
            const [x, y] = [i % 16, Math.floor(i / 16)]
            return 255 * (discWithin(centre, r, x, y) - discWithin(centre, inner, x, y))
          })
          expect(most(found, exact)).toBeLessThanOrEqual(1)
          // Each of the pixels is rounded: seen large, what that leaves out is little of the whole.
          const sum = alphas(drawn(ring, 400, 16)).reduce((all, one) => all + one, 0) / 255
          expect(sum / 625 / (Math.PI * (r * r - inner * inner))).toBeCloseTo(1, 3)
        },
      ),
      runs(25),
    )
  })

  it('of a small circle with a heavy stroke are a full disc', () => {
    const dot = strokedArea([ellipse({ x: 8, y: 8 }, 0.5, 0.5)], {
      width: 2,
      cap: 'round',
      join: 'round',
      miterLimit: 4,
    })
    expect(Math.abs(area(dot))).toBeCloseTo(Math.PI * 2.25, 6)
    for (const [i, alpha] of alphas(drawn([painted(dot)])).entries())
      expect(Math.abs(alpha - 255 * discWithin({ x: 8, y: 8 }, 1.5, i % 16, Math.floor(i / 16)))).toBeLessThanOrEqual(1)
  })

  it('have exactly the colour of what is painted, half covered too', () => {
    const picture = drawn([painted(box(2, 2, 4.5, 4.3), SIGNAL)])
    expect(pixel(picture, 3, 3)).toEqual([214, 64, 26, 255])
    expect(pixel(picture, 6, 3)).toEqual([214, 64, 26, 128])
    expect(pixel(picture, 6, 6)).toEqual([214, 64, 26, Math.round(0.15 * 255)])
    expect(pixel(picture, 9, 9)).toEqual([0, 0, 0, 0])
  })

  it('along an edge that two pieces share let nothing through, straight or round, at any size', () => {
    const sea: Colour = [17 / 255, 128 / 255, 127 / 255, 1]
    const round = ellipse({ x: 9.3, y: 7.7 }, 4.1, 3.3)
    const whole = box(1, 1, 14, 14)
    for (const [a, b] of [
      [shape([1, 1], [9.3, 1], [5.1, 15], [1, 15]), shape([9.3, 1], [15, 1], [15, 15], [5.1, 15])],
      [[...whole, { ...round, segments: round.segments.map((s) => ({ ...s })) }] as Path, [round]],
    ] as const)
      for (const size of [16, 21, 48, 130]) {
        const { data } = drawn([painted(a, SIGNAL, 'evenodd'), painted(b, sea)], size, 16)
        const alone = drawn([painted(whole, SIGNAL)], size, 16).data
        for (let i = 3; i < data.length; i += 4) expect(data[i]).toBe(alone[i])
      }
  })

  it('go along with a drawing that is moved by whole pixels, and are mirrored with it', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.double({ min: 3, max: 10, noNaN: true }), fc.double({ min: 3, max: 10, noNaN: true })), {
          minLength: 3,
          maxLength: 6,
        }),
        fc.double({ min: 0.4, max: 2.5, noNaN: true }),
        fc.integer({ min: -3, max: 4 }),
        (points, width, by) => {
          const open = polyline(
            points.map(([x, y]) => ({ x, y })),
            false,
          )
          fc.pre(open.segments.length > 0)
          const line = strokedArea([open], { width, cap: 'round', join: 'round', miterLimit: 4 })
          const here = drawn([painted(line)])
          const there = drawn([painted(transformPath(line, [1, 0, 0, 1, by, 0]))])
          const over = drawn([painted(transformPath(line, [-1, 0, 0, 1, 16, 0]))])
          for (let y = 0; y < 16; y++)
            for (let x = 0; x < 16; x++) {
              if (x + by >= 0 && x + by < 16) expect(pixel(there, x + by, y)).toEqual(pixel(here, x, y))
              expect(Math.abs(pixel(over, 15 - x, y)[3]! - pixel(here, x, y)[3]!)).toBeLessThanOrEqual(1)
            }
        },
      ),
      runs(60),
    )
  })

  it('are the mean of what is seen in them, however areas, groups and masks lie over each other', () => {
    const colour = fc
      .tuple(...[0, 1, 2].map(() => fc.double({ min: 0, max: 1, noNaN: true })), fc.constantFrom(1, 1, 0.4))
      .map((parts) => parts as unknown as Colour)
    const one = fc
      .tuple(place, place, place, place, place, place, colour, fc.constantFrom('nonzero' as const, 'evenodd' as const))
      .map(([a, b, c, d, e, f, paint, rule]) => painted(shape([a, b], [c, d], [e, f], [f, a], [d, c]), paint, rule))
    const some = fc.array(one, { minLength: 1, maxLength: 3 })
    const nested = fc
      .tuple(some, fc.constantFrom(1, 0.5), fc.option(some, { nil: null }))
      .map(([items, opacity, mask]) => group(items, { opacity, mask }))
    fc.assert(
      fc.property(fc.array(fc.oneof(one, nested), { minLength: 1, maxLength: 3 }), (items) => {
        const picture = { box: { x: 0, y: 0, w: 16, h: 16 }, items }
        const own = pixelsOf(picture, 5),
          seen = sampledPicture(picture, 5)
        for (let i = 0; i < seen.length; i += 4) {
          expect(Math.abs(own.data[i + 3]! - seen[i + 3]!)).toBeLessThanOrEqual(3)
          for (let k = i; k < i + 3; k++)
            expect((Math.abs(own.data[k]! - seen[k]!) * seen[i + 3]!) / 255).toBeLessThanOrEqual(4)
        }
      }),
      runs(30),
    )
  })

  it('of gradients have the colour of their middles: along a line, and out of a focus', () => {
    const stops = [
      { at: 0.25, colour: [1, 0, 0, 1] as const },
      { at: 0.75, colour: [0, 0, 1, 0.5] as const },
    ]
    const along: Item = {
      kind: 'area',
      path: box(0, 0, 16, 16),
      rule: 'nonzero',
      paint: { kind: 'linear', stops, opacity: 1, map: [1 / 16, 0, 0, 1 / 16, 0, 0] },
    }
    const picture = drawn([along])
    for (let x = 0; x < 16; x++) {
      const k = Math.min(1, Math.max(0, ((x + 0.5) / 16 - 0.25) / 0.5))
      expect(most(pixel(picture, x, 7), [255 * (1 - k), 0, 255 * k, 255 * (1 - k / 2)])).toBeLessThanOrEqual(0.51)
    }
    const out: Item = {
      ...along,
      paint: { kind: 'radial', stops, opacity: 1, map: [1 / 8, 0, 0, 1 / 8, -1, -7.5 / 8], focus: [0.5, 0] },
    } as Item
    const round = drawn([out])
    // On the line through the focus and the middle of the circle, from the one to its end.
    const at = (x: number) => (x + 0.5 - 12) / 4
    for (const x of [12, 13, 14, 15]) {
      const k = Math.min(1, Math.max(0, (at(x) - 0.25) / 0.5))
      expect(Math.abs(pixel(round, x, 7)[2]! - 255 * k)).toBeLessThanOrEqual(0.51)
    }
  })

  it('of a soft shadow lie under what casts it, spread as a Gaussian spreads, and lose nothing', () => {
    const dark: Colour = [0, 0, 0, 1]
    const deviation = 4
    const cast = group([painted(box(40, 40, 16, 16), SIGNAL)], { shadow: { x: 3, y: 2, deviation, colour: dark } })
    const { data, width } = drawn([cast], 96)
    const alpha = (x: number, y: number) => data[4 * (y * width + x) + 3]! / 255
    expect([...data.subarray(4 * (48 * width + 48), 4 * (48 * width + 48) + 4)]).toEqual([214, 64, 26, 255])
    // The error function (Abramowitz and Stegun 7.1.26).
    const erf = (x: number): number => {
      const t = 1 / (1 + 0.3275911 * Math.abs(x))
      const y =
        1 -
        ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) *
          t *
          Math.exp(-x * x)
      return x < 0 ? -y : y
    }
    const share = (at: number, from: number) =>
      (erf((at - from) / (deviation * Math.SQRT2)) - erf((at - from - 16) / (deviation * Math.SQRT2))) / 2
    for (let y = 24; y < 76; y += 3)
      for (const x of [30, 36, 58, 62, 66, 70])
        expect(Math.abs(alpha(x, y) - share(x + 0.5, 43) * share(y + 0.5, 42)), `${x} ${y}`).toBeLessThan(0.012)
  })

  it('of what is large are drawn in bands without a seam', () => {
    const picture = drawn([painted([ellipse({ x: 8, y: 8 }, 7, 5)])], 700, 16)
    const all = alphas(picture)
    for (let y = 0; y < 350; y += 1)
      for (const x of [40, 130, 349])
        expect(Math.abs(all[y * 700 + x]! - all[(699 - y) * 700 + x]!)).toBeLessThanOrEqual(1)
  })
})
