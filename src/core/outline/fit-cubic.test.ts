import { describe, expect, it } from 'vitest'
import { distance, type Point } from '../geometry/point'
import { type Cubic, pointAt } from '../geometry/segment'
import { type Course, follow } from './fit-cubic'

/** A course given by its places, with directions by differences. */
const courseOf =
  (place: (t: number) => Point): Course =>
  (t) => {
    const a = place(Math.max(0, t - 1e-6)),
      b = place(Math.min(1, t + 1e-6)),
      length = distance(a, b) || 1
    return { at: place(t), direction: { x: (b.x - a.x) / length, y: (b.y - a.y) / length } }
  }

const awayFrom = (cubics: readonly Cubic[], p: Point) =>
  Math.min(...cubics.flatMap((one) => Array.from({ length: 257 }, (_, i) => distance(pointAt(one, i / 256), p))))

describe('following a course', () => {
  it('stays within the tolerance of it with few cubics', () => {
    const spiral = (t: number): Point => ({
      x: 12 + (2 + 6 * t) * Math.cos(9 * t),
      y: 12 + (2 + 6 * t) * Math.sin(9 * t),
    })
    const cubics = follow(courseOf(spiral), 1e-3)
    expect(cubics.length).toBeLessThan(9)
    for (let i = 0; i <= 200; i++) expect(awayFrom(cubics, spiral(i / 200))).toBeLessThan(0.03)
  })

  it('goes from place to place where a course is too wild for cubics, and does not break off', () => {
    for (const place of [
      (t: number) => ({ x: 20 * t, y: Math.sin(900 * t) }),
      (t: number) => ({ x: t < 0.5 ? 0 : 9, y: t }),
      () => ({ x: 3, y: 3 }),
    ]) {
      const cubics = follow(courseOf(place), 1e-3)
      cubics.forEach((one, i) => {
        expect(Number.isFinite(one.c1.x + one.c1.y + one.c2.x + one.c2.y)).toBe(true)
        expect(distance(one.from, i === 0 ? place(0) : cubics[i - 1]!.to)).toBe(0)
      })
      expect(distance(cubics.at(-1)!.to, place(1))).toBe(0)
    }
  })
})
