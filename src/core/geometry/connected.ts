import { sweptTwice } from './area'
import type { Contour, Path } from './path'
import { winding } from './winding'

/** The connected pieces of an area whose contours do not cross: each an outer contour, then the holes in it. */
export function connected(area: Path): [Contour, ...Contour[]][] {
  const swept = new Map(area.map((one) => [one, one.segments.reduce((sum, segment) => sum + sweptTwice(segment), 0)]))
  const outward = Math.sign([...swept.values()].reduce((most, one) => (Math.abs(one) > Math.abs(most) ? one : most), 0))
  const outer = area
    .filter((one) => swept.get(one)! * outward > 0)
    .sort((a, b) => Math.abs(swept.get(a)!) - Math.abs(swept.get(b)!))
  const pieces = new Map<Contour, [Contour, ...Contour[]]>(outer.map((one) => [one, [one]]))
  for (const hole of area) {
    if (swept.get(hole)! * outward > 0) continue
    // The smallest contour around it.
    const around = outer.find((one) => winding([one], hole.segments[0]!.from) !== 0)
    if (around) pieces.get(around)!.push(hole)
  }
  return [...pieces.values()]
}
