import { describe, expect, it } from 'vitest'
import { apart } from '../../testing/apart'
import { readPathData } from '../formats/path-reader'
import { area } from '../geometry/area'
import { ellipse, type Path, pathBounds, polyline, segmentCount } from '../geometry/path'
import { distance, point } from '../geometry/point'
import { extended, shortened } from './extend'
import { along, cornerHandles, envelope, evenHandles, handlesFor, warpPath } from './warp'

const box = { x: 0, y: 0, w: 20, h: 10 }
const bar: Path = [polyline([point(0, 4), point(20, 4), point(20, 6), point(0, 6)], true)]

describe('bending along a contour', () => {
  it('lays a bar around a circle as a ring sector of the same width, within 0.005', () => {
    const half = ellipse(point(12, 12), 8, 8).segments[0]!
    const bent = warpPath(bar, along({ segments: [half], closed: false }, { from: point(0, 5), to: point(20, 5) }))
    expect(apart(bent, readPathData('M3 12A9 9 0 0 1 21 12L19 12A7 7 0 0 0 5 12z'))).toBeLessThan(5e-3)
    expect(segmentCount(bent)).toBeLessThanOrEqual(8)
    const twice = warpPath(bar, along({ segments: [half], closed: false }, { from: point(0, 5), to: point(20, 5) }, 2))
    expect(area(twice)).toBeCloseTo(2 * area(bent), 1)
  })

  it('changes nothing along a line of the same length', () => {
    const bent = warpPath(
      bar,
      along(polyline([point(0, 5), point(20, 5)], false), { from: point(0, 5), to: point(20, 5) }),
    )
    expect(bent[0]!.segments.every(({ kind }) => kind === 'line')).toBe(true)
    expect(apart(bent, bar)).toBeLessThan(1e-9)
  })
})

describe('envelopes', () => {
  it('leave all as it is with even handles, lines as lines', () => {
    expect(apart(warpPath(bar, envelope(box, evenHandles(box))), bar)).toBeLessThan(1e-9)
  })

  it('with four corners carry straight sides to straight sides', () => {
    const corners = [point(2, 0), point(18, 1), point(20, 9), point(0, 10)] as const
    const frame: Path = [polyline([point(0, 0), point(20, 0), point(20, 10), point(0, 10)], true)]
    expect(apart(warpPath(frame, envelope(box, cornerHandles(corners))), [polyline(corners, true)])).toBeLessThan(1e-9)
  })

  it('bow, wave, swell and pinch by the amount asked for, and meet end to end', () => {
    const frame: Path = [polyline([point(0, 0), point(20, 0), point(20, 10), point(0, 10)], true)]
    const bounds = (kind: Parameters<typeof handlesFor>[1]) =>
      pathBounds(warpPath(frame, envelope(box, handlesFor(box, kind, 0.2))))!
    expect(bounds('bow')).toMatchObject({ y: expect.closeTo(-2, 2), h: expect.closeTo(12, 2) })
    expect(bounds('swell')).toMatchObject({
      x: expect.closeTo(-4, 2),
      w: expect.closeTo(28, 2),
      y: expect.closeTo(-2, 2),
      h: expect.closeTo(14, 2),
    })
    expect(bounds('pinch')).toMatchObject({ x: expect.closeTo(0, 6), w: expect.closeTo(20, 6) })
    expect(area(warpPath(frame, envelope(box, handlesFor(box, 'wave', 0.2))))).toBeCloseTo(200, 1)
    for (const kind of ['bow', 'wave', 'swell', 'pinch'] as const) {
      const [{ segments }] = warpPath(frame, envelope(box, handlesFor(box, kind, 0.2))) as [Path[number]]
      segments.forEach((s, i) =>
        expect(distance(s.from, segments[(i + segments.length - 1) % segments.length]!.to)).toBe(0),
      )
    }
  })
})

describe('an end drawn on or cut back', () => {
  const wall: Path = [polyline([point(10, -10), point(10, 10)], false)]

  it('goes straight on to the first edge, or round its circle, exactly', () => {
    expect(extended(polyline([point(0, 0), point(5, 2)], false), true, wall)!.at).toEqual({
      x: expect.closeTo(10, 12),
      y: expect.closeTo(4, 12),
    })
    const quarter = readPathData('M5 -5A5 5 0 0 1 10 0')[0]!
    const shelf: Path = [polyline([point(-20, 4), point(20, 4)], false)]
    expect(extended(quarter, true, shelf)!.at).toEqual({ x: expect.closeTo(8, 9), y: expect.closeTo(4, 12) })
    const back = extended(quarter, false, [polyline([point(-20, -4), point(4, -4)], false)])!
    expect(back.at).toEqual({ x: expect.closeTo(2, 9), y: expect.closeTo(-4, 12) })
    expect(back.contour.segments[0]!.from).toEqual(back.at)
    expect(extended(polyline([point(0, 0), point(-5, 2)], false), true, wall)).toBeNull()
  })

  it('is cut back to the last edge it crosses', () => {
    const over = shortened(polyline([point(0, 0), point(14, 7)], false), true, wall)!
    expect(over.contour.segments[0]!.to).toEqual({ x: expect.closeTo(10, 12), y: expect.closeTo(5, 12) })
    expect(shortened(polyline([point(0, 0), point(4, 7)], false), true, wall)).toBeNull()
  })
})
