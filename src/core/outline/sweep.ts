import { arcCentre } from '../geometry/arc'
import { sweptTwice } from '../geometry/area'
import { powers } from '../geometry/curve'
import type { Contour, Path } from '../geometry/path'
import { cross, type Point } from '../geometry/point'
import { rootsOnUnit } from '../geometry/roots'
import { line, reverse, type Segment, transformSegment } from '../geometry/segment'
import { stretch } from '../geometry/stretch'
import { SAME_PARAMETER } from '../geometry/tolerance'
import { cosSin, translation } from '../geometry/transform'
import { combine } from '../planar/boolean'

/**
 * Sweeps a filled path along a vector: the union of its start, its end and the area of each moving segment. Segments
 * are split where they are parallel to the vector, so that straight edges begin at exact tangent points.
 */
export function swept(path: Path, by: Point): Path {
  const ground = combine([{ path, role: 'adds' }])
  const sheets = ground.flatMap(({ segments }) => segments.flatMap((segment) => sheetsOf(segment, by)))
  const moved = ground.map(({ segments, closed }) => ({
    segments: segments.map((one) => transformSegment(one, translation(by.x, by.y))),
    closed,
  }))
  return combine([
    { path: ground, role: 'adds' },
    { path: moved, role: 'adds' },
    { path: sheets, role: 'adds' },
  ])
}

/** What the parts of a segment sweep, each wound the same way round, so that they add up. */
function sheetsOf(segment: Segment, by: Point): Contour[] {
  const stops = [0, ...alongPlaces(segment, by), 1]
  return stops.slice(1).flatMap((to, i) => {
    const from = stops[i]!
    const part = from === 0 && to === 1 ? segment : stretch(segment, from, to)
    const there = transformSegment(part, translation(by.x, by.y))
    const around = [part, line(part.to, there.to), reverse(there), line(there.from, part.from)]
    const twice = around.reduce((sum, one) => sum + sweptTwice(one), 0)
    if (Math.abs(twice) < 1e-12) return []
    return [{ segments: twice > 0 ? around : around.toReversed().map(reverse), closed: true }]
  })
}

/** Where a segment runs along a vector, between its ends. */
function alongPlaces(segment: Segment, by: Point): number[] {
  return placesOf(segment, by)
    .filter((t) => t > SAME_PARAMETER && t < 1 - SAME_PARAMETER)
    .sort((a, b) => a - b)
}

function placesOf(segment: Segment, by: Point): number[] {
  switch (segment.kind) {
    case 'line':
      return []
    case 'cubic': {
      const { from, c1, c2, to } = segment
      const x = powers(from.x, c1.x, c2.x, to.x),
        y = powers(from.y, c1.y, c2.y, to.y)
      const slope = [1, 2, 3].map((k) => k * cross({ x: x[k]!, y: y[k]! }, by))
      return rootsOnUnit(slope, 0).map(({ t }) => t)
    }
    case 'arc': {
      const { rx, ry, start, extent } = arcCentre(segment)
      const { cos, sin } = cosSin((segment.turn * 180) / Math.PI)
      const d = { x: cos * by.x + sin * by.y, y: cos * by.y - sin * by.x }
      const first = Math.atan2(-ry * d.x, rx * d.y)
      const places: number[] = []
      for (let k = -4; k <= 4; k++) places.push((first + k * Math.PI - start) / extent)
      return places
    }
  }
}

/** A vector of a length in a direction, in degrees anticlockwise from the right. */
export function vectorOf(length: number, degrees: number): Point {
  const { cos, sin } = cosSin(-degrees)
  return { x: length * cos, y: length * sin }
}
