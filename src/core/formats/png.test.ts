import { decode } from 'fast-png'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { decoded } from '../../testing/decoded'
import { runs } from '../../testing/runs'
import { random } from '../../testing/shapes'
import { png } from './png'

/** Pixels of a picture: of so many colours, that run into each other or not, all opaque or not. */
function picture(seed: number, width: number, height: number, colours: number, isSmooth: boolean, isOpaque: boolean) {
  const next = random(seed)
  const list = Array.from({ length: colours }, () =>
    [next(), next(), next(), isOpaque ? 1 : next()].map((v) => Math.round(255 * v)),
  )
  const data = new Uint8ClampedArray(4 * width * height)
  for (let i = 0; i < width * height; i++) {
    const at = isSmooth
      ? [i % 256, (i * 3) % 256, Math.floor(i / width) % 256, isOpaque ? 255 : i % 256]
      : list[Math.floor(next() * colours)]!
    data.set(at, 4 * i)
  }
  return { width, height, data }
}

const pictures = fc.record({
  seed: fc.nat(),
  width: fc.integer({ min: 1, max: 60 }),
  height: fc.integer({ min: 1, max: 40 }),
  colours: fc.constantFrom(1, 2, 3, 16, 17, 256, 257, 5000),
  isSmooth: fc.boolean(),
  isOpaque: fc.boolean(),
})

describe('a PNG file', () => {
  it('has the pixels it was made of, in any form, the same bytes each time', () => {
    fc.assert(
      fc.property(pictures, fc.constantFrom('fewest bytes' as const, '32 bits' as const), (one, form) => {
        const pixels = picture(one.seed, one.width, one.height, one.colours, one.isSmooth, one.isOpaque)
        const file = png(pixels, form)
        expect([...decoded(file).data]).toEqual([...pixels.data])
        expect(png(pixels, form)).toEqual(file)
      }),
      runs(80),
    )
  })

  it('says nothing of alpha where all of it is opaque, but where 32 bits are asked for', () => {
    const pixels = picture(7, 64, 64, 5000, true, true)
    expect(decode(png(pixels)).channels).toBe(3)
    expect(decode(png(pixels, '32 bits')).channels).toBe(4)
    expect(decode(png(picture(7, 64, 64, 5000, true, false))).channels).toBe(4)
    expect(decode(png(picture(7, 64, 64, 3, false, true))).palette?.every((colour) => colour.length === 3)).toBe(true)
  })
})
