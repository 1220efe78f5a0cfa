import { type Arc, arcCentre } from './arc'
import type { Cubic, Segment } from './segment'

/**
 * What a segment adds to the first moments of the area beside it: ½∮x²dy and −½∮y²dx (Green's theorem), in closed form.
 */
export function moments(segment: Segment): readonly [x: number, y: number] {
  switch (segment.kind) {
    case 'line': {
      const { from: a, to: b } = segment
      return [
        ((b.y - a.y) * (a.x * a.x + a.x * b.x + b.x * b.x)) / 6,
        ((a.x - b.x) * (a.y * a.y + a.y * b.y + b.y * b.y)) / 6,
      ]
    }
    case 'arc':
      return ofArc(segment)
    case 'cubic':
      return ofCubic(segment)
  }
}

/** With x = cx + a·cos + b·sin and y = cy + c·cos + d·sin of the angle, both are sums of integrals of powers of these. */
function ofArc(arc: Arc): readonly [number, number] {
  const { centre, rx, ry, start, extent } = arcCentre(arc)
  const end = start + extent
  const cos = Math.cos(arc.turn),
    sin = Math.sin(arc.turn)
  const a = rx * cos,
    b = -ry * sin,
    c = rx * sin,
    d = ry * cos
  const c0 = Math.cos(start),
    s0 = Math.sin(start),
    c1 = Math.cos(end),
    s1 = Math.sin(end)
  const ofC = s1 - s0,
    ofS = c0 - c1,
    ofCC = (extent + s1 * c1 - s0 * c0) / 2,
    ofSS = (extent - s1 * c1 + s0 * c0) / 2,
    ofSC = (s1 * s1 - s0 * s0) / 2,
    ofCCC = ofC - (s1 ** 3 - s0 ** 3) / 3,
    ofSSS = ofS - (c0 ** 3 - c1 ** 3) / 3,
    ofCCS = (c0 ** 3 - c1 ** 3) / 3,
    ofSSC = (s1 ** 3 - s0 ** 3) / 3
  /** ∫(m + p·cos + q·sin)²(v·cos − w·sin). */
  const squared = (m: number, p: number, q: number, v: number, w: number) =>
    m * m * (v * ofC - w * ofS) +
    2 * m * p * (v * ofCC - w * ofSC) +
    2 * m * q * (v * ofSC - w * ofSS) +
    p * p * (v * ofCCC - w * ofCCS) +
    2 * p * q * (v * ofCCS - w * ofSSC) +
    q * q * (v * ofSSC - w * ofSSS)
  return [squared(centre.x, a, b, d, c) / 2, -squared(centre.y, c, d, b, a) / 2]
}

/** Places and weights of Gauss's rule with five points on 0..1: exact for the polynomials of degree 8 of a cubic. */
const FIVE = [
  [0.046910077030668, 0.1184634425280945],
  [0.2307653449471585, 0.2393143352496832],
  [0.5, 0.2844444444444444],
  [0.7692346550528415, 0.2393143352496832],
  [0.953089922969332, 0.1184634425280945],
] as const

function ofCubic({ from, c1, c2, to }: Cubic): readonly [number, number] {
  let x = 0,
    y = 0
  for (const [t, weight] of FIVE) {
    const s = 1 - t
    const k0 = s * s * s,
      k1 = 3 * s * s * t,
      k2 = 3 * s * t * t,
      k3 = t * t * t
    const px = k0 * from.x + k1 * c1.x + k2 * c2.x + k3 * to.x,
      py = k0 * from.y + k1 * c1.y + k2 * c2.y + k3 * to.y
    const j0 = 3 * s * s,
      j1 = 6 * s * t,
      j2 = 3 * t * t
    x += weight * px * px * (j0 * (c1.y - from.y) + j1 * (c2.y - c1.y) + j2 * (to.y - c2.y))
    y -= weight * py * py * (j0 * (c1.x - from.x) + j1 * (c2.x - c1.x) + j2 * (to.x - c2.x))
  }
  return [x / 2, y / 2]
}
