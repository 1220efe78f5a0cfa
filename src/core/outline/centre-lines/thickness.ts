import { flattened } from '../../geometry/flat'
import type { Path } from '../../geometry/path'
import { distance } from '../../geometry/point'
import { pointAt, type Segment } from '../../geometry/segment'
import { directionAt } from '../../geometry/slope'

/** Where along a segment one looks across the area. */
const LOOKS = [0.2, 0.5, 0.8]
/** Thicknesses that differ by a smaller share are one. */
const ALIKE = 0.03
/** The least share of an outline that the most common thickness is seen from: caps and junctions see others. */
const LEAST = 0.25

/**
 * The thickness that most of an area has across its outline, in units; null where none is common. `inward` is 1 where the
 * area lies to the right of its outline on screen, else -1. Lines stand for curves within `flat`.
 */
export function commonThickness(area: Path, inward: 1 | -1, flat: number): number | null {
  const walls = flattened(area, flat).flatMap(({ segments }) => segments)
  const seen = area
    .flatMap(({ segments }) => segments)
    .flatMap((segment) => {
      const long = distance(segment.from, pointAt(segment, 0.5)) + distance(pointAt(segment, 0.5), segment.to)
      return LOOKS.flatMap((t) => {
        const across = acrossFrom(segment, t, inward, walls, 4 * flat)
        return across === null ? [] : [{ across, weight: long / LOOKS.length }]
      })
    })
    .sort((a, b) => a.across - b.across)
  const all = seen.reduce((sum, { weight }) => sum + weight, 0)
  let best: readonly { across: number; weight: number }[] = [],
    most = 0
  seen.forEach(({ across }, i) => {
    const alike = seen.slice(i).filter((one) => one.across <= across * (1 + ALIKE))
    const weight = alike.reduce((sum, one) => sum + one.weight, 0)
    if (weight > most) [best, most] = [alike, weight]
  })
  return most < LEAST * all ? null : (best[best.length >> 1]?.across ?? null)
}

/** How far it is from a place of an outline straight across the area to the first wall; null where there is none. */
function acrossFrom(
  segment: Segment,
  t: number,
  inward: 1 | -1,
  walls: readonly Segment[],
  least: number,
): number | null {
  const p = pointAt(segment, t),
    d = directionAt(segment, t)
  const rx = -d.y * inward,
    ry = d.x * inward
  let first = Infinity
  for (const { from, to } of walls) {
    const x = to.x - from.x,
      y = to.y - from.y,
      bend = rx * y - ry * x
    if (bend === 0) continue
    const offX = from.x - p.x,
      offY = from.y - p.y
    const away = (offX * y - offY * x) / bend,
      at = (offX * ry - offY * rx) / bend
    if (away > least && away < first && at >= 0 && at <= 1) first = away
  }
  return first === Infinity ? null : first
}
