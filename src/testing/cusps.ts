import { pathBounds, type Path } from '../core/geometry/path'
import type { Point } from '../core/geometry/point'
import { line, pointAt, type Segment } from '../core/geometry/segment'
import { winding } from '../core/geometry/winding'
import { strokedArea } from '../core/outline/stroking'
import { random } from './shapes'
import { awayFrom } from './stroke-oracle'

/** How far an outline may lie from where it belongs, in grid units. */
const WITHIN = 4e-3

/**
 * A path where outlines go wrong, with a line before and after it: a cubic that all but returns on itself, all but has a
 * cusp, or is all but straight; or an ellipse that is all but flat. By 1e-1 to 1e-6 of a unit.
 */
function wildPath(seed: number): { readonly path: Path; readonly half: number } {
  const next = random(seed)
  const off = 10 ** (-1 - 5 * next()),
    angle = 2 * Math.PI * next(),
    size = 0.5 + 4 * next() * next()
  const from: Point = { x: 12, y: 12 }
  const at = (along: number, aside: number): Point => ({
    x: 12 + size * (along * Math.cos(angle) - aside * Math.sin(angle)),
    y: 12 + size * (along * Math.sin(angle) + aside * Math.cos(angle)),
  })
  const bit = () => (2 * next() - 1) * off
  const kind = next()
  let segment: Segment
  if (kind < 0.4) {
    // Its ends nearly coincide, its handles lie on opposite sides nearly along one line.
    segment = { kind: 'cubic', from, c1: at(0.4 + next(), bit()), c2: at(-0.4 - next(), bit()), to: at(bit(), bit()) }
  } else if (kind < 0.6) {
    // There and back: both handles far on one side.
    segment = { kind: 'cubic', from, c1: at(1 + next(), bit()), c2: at(1 + next(), bit()), to: at(bit(), bit()) }
  } else if (kind < 0.75) {
    // Crossed handles of such a length that it all but stands still in its middle.
    const reach = 4 / 3 + bit() * 0.1
    segment = { kind: 'cubic', from, c1: at(reach * 0.75, 0.5), c2: at(1 - reach * 0.75 + bit(), 0.5), to: at(1, 0) }
  } else if (kind < 0.9) {
    segment = {
      kind: 'cubic',
      from,
      c1: at(next() * 2 - 0.5, bit()),
      c2: at(next() * 2 - 0.5, bit()),
      to: at(1, bit()),
    }
  } else {
    const flat = Math.max(1e-6, off)
    segment = {
      kind: 'arc',
      from,
      to: at(0.3 + next(), bit()),
      rx: size,
      ry: size * flat,
      turn: angle,
      large: next() < 0.5,
      sweep: next() < 0.5,
    }
  }
  const before = { x: 12 + 6 * (next() - 0.5), y: 12 + 6 * (next() - 0.5) },
    { to } = segment,
    after = { x: to.x + 6 * (next() - 0.5), y: to.y + 6 * (next() - 0.5) }
  const shape = next()
  const segments =
    shape < 0.2
      ? [segment]
      : shape < 0.4
        ? [line(before, from), segment]
        : [line(before, from), segment, line(to, after)]
  return { path: [{ closed: false, segments }], half: next() < 0.7 ? 1 : 0.25 + 1.5 * next() }
}

/**
 * What is wrong with the outline of a wild path with round ends and joins, in words; null when it is what it is by
 * definition: all that is nearer to the path than half the width, so that its box is the path's box grown by that.
 */
export function outlineFault(seed: number): string | null {
  const { path, half } = wildPath(seed)
  const outline = strokedArea(path, { width: 2 * half, cap: 'round', join: 'round', miterLimit: 4 })
  const box = pathBounds(path)!,
    drawn = pathBounds(outline)
  if (!drawn) return 'nothing is drawn'
  const off = Math.max(
    Math.abs(drawn.x - (box.x - half)),
    Math.abs(drawn.y - (box.y - half)),
    Math.abs(drawn.x + drawn.w - (box.x + box.w + half)),
    Math.abs(drawn.y + drawn.h - (box.y + box.h + half)),
  )
  if (off > WITHIN) return `its box is off by ${off.toFixed(4)}`
  const away = awayFrom(path)
  for (const { segments } of outline)
    for (const s of segments)
      for (const t of [0, 0.23, 0.5, 0.77]) {
        const p = pointAt(s, t),
          far = away(p)
        if (Math.abs(far - half) > WITHIN)
          return `at ${p.x.toFixed(3)}, ${p.y.toFixed(3)} it is ${far.toFixed(4)} from the path`
      }
  const next = random(seed + 7)
  for (let i = 0; i < 40; i++) {
    const p = { x: drawn.x - 0.2 + next() * (drawn.w + 0.4), y: drawn.y - 0.2 + next() * (drawn.h + 0.4) },
      far = away(p)
    if (Math.abs(far - half) > WITHIN && (winding(outline, p) !== 0) !== far < half)
      return `${p.x.toFixed(3)}, ${p.y.toFixed(3)} is ${far.toFixed(4)} from the path, and on the wrong side`
  }
  return null
}
