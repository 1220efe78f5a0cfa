import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { pixelAt, pixelMap, placedBy, type Reference, shows } from '../drawing/model/reference'
import { distance } from '../geometry/point'
import { apply } from '../geometry/transform'
import { contrast } from './contrast'
import { contrastEdge } from './contrast-edge'
import { mismatch } from './mismatch'
import { mainColours } from './palette'
import { hex, type Picture, sampled } from './picture'

/** A picture drawn by a function of pixel middles that gives red, green, blue and opacity. */
function picture(width: number, height: number, color: (x: number, y: number) => readonly number[]): Picture {
  const data = new Uint8ClampedArray(4 * width * height)
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) data.set(color(x + 0.5, y + 0.5), 4 * (y * width + x))
  return { width, height, data }
}

const INK = [0, 0, 0, 255],
  PAPER = [255, 255, 255, 255]
const reference = (more: Partial<Reference> = {}): Reference => ({
  id: 'r',
  name: 'scan',
  picture: '0'.repeat(24),
  size: { w: 200, h: 100 },
  x: 2,
  y: 7,
  w: 20,
  h: 10,
  opacity: 0.5,
  ...more,
})

describe('sampling', () => {
  it('takes the pixel itself, or the average of a square of them, cut off at the edge', () => {
    const steps = picture(10, 10, (x) => [Math.floor(x) * 20, 0, 0, 255])
    expect(sampled(steps, { x: 4.9, y: 5.1 }, 1)).toBe(hex(80, 0, 0))
    expect(sampled(steps, { x: 4.5, y: 5 }, 3)).toBe(hex((60 + 80 + 100) / 3, 0, 0))
    expect(sampled(steps, { x: 0, y: 0 }, 3)).toBe(hex(10, 0, 0))
    expect(
      sampled(
        picture(3, 3, () => [9, 9, 9, 0]),
        { x: 1, y: 1 },
        3,
      ),
    ).toBeNull()
  })

  it('finds the colours of a picture by how much of it they cover', () => {
    const flag = picture(100, 60, (x) =>
      x < 50 ? [20, 40, 160, 255] : x < 80 ? [240, 240, 235, 255] : [213, 64, 27, 255],
    )
    expect(mainColours(flag, 6)).toEqual([
      { color: '#1428a0', share: 0.5 },
      { color: '#f0f0eb', share: 0.3 },
      { color: '#d5401b', share: 0.2 },
    ])
  })
})

describe('contrast', () => {
  it('is 21 between black and white, 1 between equals, the same both ways', () => {
    expect(contrast('#000000', '#ffffff')).toBeCloseTo(21, 9)
    expect(contrast('#777777', '#ffffff')).toBeCloseTo(4.48, 2)
    expect(contrast('#d5401b', '#11807f')).toBe(contrast('#11807f', '#d5401b'))
    expect(contrast('#123456', '#123456')).toBe(1)
  })
})

describe('edges in a picture', () => {
  it('are found between pixels, across, down and aslant, sharp or blurred', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 40, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        fc.boolean(),
        (edge, off, upright) => {
          // Each pixel as dark as it is covered: the edge lies between pixels.
          const covered = picture(60, 60, (x, y) =>
            Array.from({ length: 4 }, (_, i) =>
              i === 3 ? 255 : 255 * Math.min(1, Math.max(0, (upright ? x : y) + 0.5 - edge)),
            ),
          )
          const at = upright ? { x: edge + off, y: 30 } : { x: 30, y: edge + off }
          const found = contrastEdge(covered, at, upright ? { x: 1, y: 0 } : { x: 0, y: 1 }, 5, 4)
          expect(found).not.toBeNull()
          expect(Math.abs(found! + off)).toBeLessThan(0.03)
        },
      ),
    )
    const halves = picture(60, 60, (x, y) => (x + y < 60 ? INK : PAPER))
    const aslant = contrastEdge(halves, { x: 31, y: 31 }, { x: Math.SQRT1_2, y: Math.SQRT1_2 }, 5, 6)
    expect(Math.abs(aslant! + Math.SQRT2)).toBeLessThan(0.75)
    expect(contrastEdge(halves, { x: 5, y: 5 }, { x: 1, y: 0 }, 5, 4)).toBeNull()
  })
})

describe('the mismatch', () => {
  it('is none of a picture with itself, all of one with nothing, and the share of area between two circles', () => {
    const disc = (r: number) => picture(300, 300, (x, y) => (Math.hypot(x - 150, y - 150) < r ? INK : PAPER))
    expect(mismatch(disc(100), disc(100))).toMatchObject({ mean: 0, ofInk: 0 })
    expect(
      mismatch(
        disc(100),
        picture(300, 300, () => [0, 0, 0, 0]),
      ).ofInk,
    ).toBe(1)
    const { mean, ofInk } = mismatch(disc(100), disc(80))
    expect(ofInk).toBeCloseTo((100 ** 2 - 80 ** 2) / 100 ** 2, 2)
    expect(mean).toBeCloseTo((Math.PI * (100 ** 2 - 80 ** 2)) / 300 ** 2, 3)
  })
})

describe('a reference', () => {
  it('shows its pixels where it lies, cropped, and nothing elsewhere', () => {
    expect(pixelAt(reference(), { x: 12, y: 12 })).toEqual({ x: 100, y: 50 })
    expect(shows(reference(), { x: 2.1, y: 7.1 })).toBe(true)
    expect(shows(reference({ crop: { x: 50, y: 0, w: 150, h: 100 } }), { x: 2.1, y: 7.1 })).toBe(false)
    expect(shows(reference({ hidden: true }), { x: 12, y: 12 })).toBe(false)
  })

  it('is placed by two points: they come to lie where they should, and it keeps its proportion', () => {
    const place = fc.record({ x: fc.integer({ min: -30, max: 50 }), y: fc.integer({ min: -30, max: 50 }) })
    fc.assert(
      fc.property(place, place, place, place, fc.integer({ min: -179, max: 180 }), (p, q, a, b, turn) => {
        if (distance(p, q) < 1 || distance(a, b) < 1) return
        const before = reference({ turn }),
          after = placedBy(before, [p, q], [a, b])
        const landed = (at: typeof p) => apply(pixelMap(after), pixelAt(before, at))
        expect(distance(landed(p), a)).toBeLessThan(1e-6)
        expect(distance(landed(q), b)).toBeLessThan(1e-6)
        expect(after.w / after.h).toBeCloseTo(2, 9)
      }),
    )
  })
})
