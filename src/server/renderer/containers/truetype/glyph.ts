import type { Path } from '../../../../core/geometry/path'
import { quadraticsOf } from '../../../../core/outline/quadratics'
import { Bytes } from './bytes'

/** How far curves may be from the outline, in units of the font; places are whole units, half a unit off at most. */
const WITHIN = 0.25

type OutlinePoint = { readonly x: number; readonly y: number; readonly isOn: boolean }

/** A glyph: its points in contours, its box in whole units (zeros for an empty one), and its entry in “glyf”. */
export type Glyph = {
  readonly contours: readonly (readonly OutlinePoint[])[]
  readonly box: readonly [xMin: number, yMin: number, xMax: number, yMax: number]
  readonly entry: Bytes
}

const ON_CURVE = 1,
  X_SHORT = 2,
  Y_SHORT = 4

/** The bits of a step along x, to be multiplied for y: whether it is one byte (1), and positive or none (8). */
const flagOf = (step: number): number => (step === 0 ? 8 : Math.abs(step) >= 256 ? 0 : step > 0 ? 9 : 1)

/** A glyph for an outline in units of the font, y up (OpenType 1.9, “glyf”, simple glyph). */
export function glyphOf(path: Path): Glyph {
  const contours = path.map(({ segments }) => pointsOf(segments)).filter((points) => points.length > 2)
  const all = contours.flat()
  if (all.length === 0) return { contours: [], box: [0, 0, 0, 0], entry: new Bytes() }
  const xs = all.map(({ x }) => x),
    ys = all.map(({ y }) => y)
  const box = [least(xs), least(ys), most(xs), most(ys)] as const
  const entry = new Bytes().u16(contours.length, ...box)
  let last = -1
  for (const points of contours) entry.u16((last += points.length))
  // No instructions; each point with a flag of its own, then all steps along x, then along y.
  entry.u16(0)
  const steps = (values: readonly number[]) => values.map((value, i) => value - (values[i - 1] ?? 0))
  const dx = steps(xs),
    dy = steps(ys)
  entry.u8(...all.map(({ isOn }, i) => (isOn ? ON_CURVE : 0) | (flagOf(dx[i]!) * X_SHORT) | (flagOf(dy[i]!) * Y_SHORT)))
  for (const step of [...dx, ...dy]) {
    if (step === 0) continue
    if (Math.abs(step) < 256) entry.u8(Math.abs(step))
    else entry.u16(step)
  }
  return { contours, box, entry: entry.padded(4) }
}

const least = (values: readonly number[]): number => values.reduce((a, b) => Math.min(a, b), Infinity)
const most = (values: readonly number[]): number => values.reduce((a, b) => Math.max(a, b), -Infinity)

/** The points of a closed contour, from where its first segment ends; points that repeat the last one are left out. */
function pointsOf(segments: Path[number]['segments']): OutlinePoint[] {
  const points: OutlinePoint[] = []
  const add = ({ x, y }: { readonly x: number; readonly y: number }, isOn: boolean) => {
    const next = { x: Math.round(x), y: Math.round(y), isOn },
      last = points.at(-1)
    if (last && last.isOn && isOn && last.x === next.x && last.y === next.y) return
    points.push(next)
  }
  const [first] = segments
  if (!first) return []
  add(first.from, true)
  for (const segment of segments)
    for (const { control, to } of quadraticsOf(segment, WITHIN)) {
      if (control) add(control, false)
      add(to, true)
    }
  const end = points.at(-1)!,
    begin = points[0]!
  // A contour closes by itself.
  if (points.length > 1 && end.x === begin.x && end.y === begin.y) points.pop()
  return points.filter((point, i) => !isImplied(points.at(i - 1)!, point, points[(i + 1) % points.length]!))
}

/** Whether a point lies, to half a unit, in the middle between two control points, where readers put it by themselves. */
const isImplied = (before: OutlinePoint, { x, y, isOn }: OutlinePoint, after: OutlinePoint): boolean =>
  isOn &&
  !before.isOn &&
  !after.isOn &&
  Math.abs(before.x + after.x - 2 * x) <= 1 &&
  Math.abs(before.y + after.y - 2 * y) <= 1
