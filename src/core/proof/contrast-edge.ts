import type { Point } from '../geometry/point'
import { lightness, type Picture } from './picture'

/** The least step of lightness, of 255, that counts as an edge. */
const LEAST = 12

/**
 * Where a picture changes most across a line, near it: the distance from the line, in pixels, along its unit normal.
 * Lightness is averaged along the line over `band` pixels to both sides, so that a speck does not count, and the place
 * is found between pixels, as the middle of the slope (the centroid of the differences). Null where nothing within
 * `reach` changes enough.
 */
export function contrastEdge(picture: Picture, at: Point, normal: Point, reach: number, band: number): number | null {
  const { width, height } = picture
  const along = { x: -normal.y, y: normal.x }
  const mean = (offset: number): number => {
    let sum = 0,
      count = 0
    for (let k = -band; k <= band; k++) {
      const x = Math.floor(at.x + normal.x * offset + along.x * k),
        y = Math.floor(at.y + normal.y * offset + along.y * k)
      if (x < 0 || y < 0 || x >= width || y >= height) continue
      sum += lightness(picture, y * width + x)
      count++
    }
    return count === 0 ? NaN : sum / count
  }
  // Looked at in the middles of pixels, so that a step between two pixels lies between two looks.
  const across = Math.abs(normal.x) > Math.abs(normal.y) ? at.x * Math.sign(normal.x) : at.y * Math.sign(normal.y)
  const first = 0.5 - (((across % 1) + 1) % 1) - Math.ceil(reach) - 1
  const looks = Array.from({ length: 2 * Math.ceil(reach) + 4 }, (_, i) => first + i)
  const values = looks.map(mean)
  const steps = values.slice(1).map((value, i) => Math.abs(value - values[i]!))
  let best = -1
  steps.forEach((step, i) => {
    const place = looks[i]! + 0.5
    if (
      Number.isFinite(step) &&
      step >= LEAST &&
      Math.abs(place) <= reach + 0.5 &&
      (best === -1 || step > steps[best]!)
    )
      best = i
  })
  if (best === -1) return null
  // A blurred edge is a run of steps one way: its middle.
  let weight = 0,
    moment = 0
  for (let i = Math.max(0, best - 1); i <= Math.min(steps.length - 1, best + 1); i++) {
    const step = steps[i]!
    if (!Number.isFinite(step) || step < LEAST / 4) continue
    weight += step
    moment += step * (looks[i]! + 0.5)
  }
  return moment / weight
}
