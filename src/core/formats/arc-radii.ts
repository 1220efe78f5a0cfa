import { arcCentre } from '../geometry/arc'
import type { Arc } from '../geometry/segment'
import { rounded } from './number'

/** Digits of the radii of arcs that those of the coordinates would move. */
export const FINE = 9

/**
 * Radii to write for an arc with rounded ends: unchanged if the bulge is right within half of the last digit, else
 * adjusted. Near half a turn a shortened chord would move the centre by the square root of the error. Radii too small
 * for the chord are enlarged by every reader (SVG 2, B.2.5).
 */
export function writtenRadii(
  arc: Arc,
  x0: number,
  y0: number,
  x1: number,
  y1: number,
  digits: number,
  slack: number,
): [number, number] {
  const { rx, ry, extent } = arcCentre(arc)
  const cos = Math.cos(arc.turn),
    sin = Math.sin(arc.turn)
  const dx = (x1 - x0) / 2,
    dy = (y1 - y0) / 2
  // In the axes in which the ellipse is the unit circle: half the chord, and how far the arc bulges from it.
  const half = Math.hypot((cos * dx + sin * dy) / rx, (cos * dy - sin * dx) / ry),
    bulge = 1 - Math.cos(extent / 2)
  const off = (k: number) =>
    (k <= half ? half : bulge > 1 ? k + Math.sqrt(k * k - half * half) : k - Math.sqrt(k * k - half * half)) - bulge
  const near = (k: number) => Math.abs(off(k)) * Math.max(rx, ry) <= (0.5 * slack) / 10 ** digits
  const plain = rounded(rx, digits)
  if (near(plain / rx) || !(bulge > 0)) return [plain, rounded(ry, digits)]
  if (near(half)) {
    const down = 10 ** (slack > 1 && half * rx > 0.1 ? 1 : digits),
      k = Math.floor(half * rx * down - 1e-6) / down / rx
    return rx === ry ? [k * rx, k * rx] : [rounded(k * rx, digits), rounded(k * ry, digits)]
  }
  const k = (half * half + bulge * bulge) / (2 * bulge)
  // As few digits as keep it there.
  for (let d = digits + 1; d < FINE; d++)
    if (near(rounded(k * rx, d) / rx)) return [rounded(k * rx, d), rounded(k * ry, d)]
  return [k * rx, k * ry]
}
