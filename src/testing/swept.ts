// What a stroke is by definition (SVG 2 §13.5): all that a line across the path sweeps, with its joins and caps, as
// many thin triangles that are filled together. It shares nothing with the outlines but where segments are and head.
import type { Contour, Path } from '../core/geometry/path'
import { cross, distance, dot, type Point } from '../core/geometry/point'
import { pointAt } from '../core/geometry/segment'
import { directionAt } from '../core/geometry/slope'
import type { Stroke } from '../core/outline/line-style'

/** Into how many steps a curve is taken apart. */
const STEPS = 2000

type Place = { readonly at: Point; readonly heading: Point }
type Step = { readonly from: Place; readonly to: Place }

/** Path data, to be filled with the nonzero rule: every piece of it runs the same way round. */
export function swept(path: Path, stroke: Stroke): string {
  const h = stroke.width / 2
  return path.flatMap((contour) => runsOf(contour, stroke).flatMap((run) => parts(run, stroke, h))).join('')
}

type Run = { readonly steps: readonly Step[]; readonly closed: boolean }

/** What is drawn of a contour in one go: all of it, or each dash. */
function runsOf({ segments, closed }: Contour, { dash, dashOffset = 0 }: Stroke): Run[] {
  const steps = segments.flatMap((segment): Step[] => {
    const count = segment.kind === 'line' ? 1 : STEPS
    const place = (t: number): Place => ({ at: pointAt(segment, t), heading: directionAt(segment, t) })
    return Array.from({ length: count }, (_, i) => ({ from: place(i / count), to: place((i + 1) / count) }))
  })
  if (!dash) return [{ steps, closed }]
  const pattern = dash.length % 2 ? [...dash, ...dash] : dash
  const whole = pattern.reduce((sum, length) => sum + length, 0)
  const runs: Step[][] = [[]]
  /** Whether a length along the contour is drawn, and how far it is to the next change. */
  const stretch = (length: number): { drawn: boolean; left: number } => {
    let into = (((length + dashOffset) % whole) + whole) % whole
    for (let i = 0; ; i = (i + 1) % pattern.length) {
      if (into < pattern[i]! - 1e-9) return { drawn: i % 2 === 0, left: pattern[i]! - into }
      into = Math.max(0, into - pattern[i]!)
    }
  }
  let along = 0
  for (const step of steps) {
    const long = distance(step.from.at, step.to.at)
    for (let done = 0; long - done > 1e-9;) {
      const { drawn, left } = stretch(along + done),
        next = Math.min(long, done + left)
      if (drawn) runs[runs.length - 1]!.push(between(step, done / long, next / long))
      if (next < long || left <= long - done) if (drawn) runs.push([])
      done = next
    }
    along += long
  }
  const drawn = runs.filter((run) => run.length > 0)
  // A dash that is drawn over the place where a closed contour begins is whole.
  if (closed && drawn.length > 1 && stretch(0).drawn && runs[runs.length - 1]!.length > 0)
    drawn[0] = [...drawn.pop()!, ...drawn[0]!]
  return drawn.map((run) => ({ steps: run, closed: false }))
}

function between({ from, to }: Step, a: number, b: number): Step {
  const place = (t: number): Place => ({ at: mix(from.at, to.at, t), heading: mix(from.heading, to.heading, t) })
  return { from: place(a), to: place(b) }
}
const mix = (p: Point, q: Point, t: number): Point => ({ x: p.x + (q.x - p.x) * t, y: p.y + (q.y - p.y) * t })

function parts({ steps, closed }: Run, stroke: Stroke, h: number): string[] {
  const first = steps[0],
    last = steps[steps.length - 1]
  if (!first || !last) return []
  const found = steps.flatMap(({ from, to }) => {
    const [a, b, c, d] = [beside(from, h), beside(from, -h), beside(to, -h), beside(to, h)]
    return [polygon([a, b, c]), polygon([a, c, d])]
  })
  steps.forEach((step, i) => {
    const before = i > 0 ? steps[i - 1]! : closed ? last : null
    if (before) found.push(joint(before.to, step.from, stroke, h))
  })
  if (!closed) found.push(cap(first.from, -1, stroke, h), cap(last.to, 1, stroke, h))
  return found
}

/** What joins two headings at a node, on the outside of the turn. */
function joint({ at, heading: a }: Place, { heading: b }: Place, { join, miterLimit }: Stroke, h: number): string {
  const turn = Math.atan2(cross(a, b), dot(a, b))
  if (Math.abs(turn) < 1e-6) return ''
  const side = -Math.sign(turn) * h
  if (join === 'round') {
    const start = Math.atan2(a.y, a.x)
    const rim = Array.from({ length: 65 }, (_, i): Place => {
      const angle = start + (turn * i) / 64
      return { at, heading: { x: Math.cos(angle), y: Math.sin(angle) } }
    })
    return polygon([at, ...rim.map((place) => beside(place, side))])
  }
  const p = beside({ at, heading: a }, side),
    q = beside({ at, heading: b }, side)
  const half = Math.cos(turn / 2)
  if (join === 'bevel' || 1 / half > miterLimit) return polygon([at, p, q])
  const middle = mix(p, q, 0.5),
    far = 1 / (half * half)
  return polygon([at, p, mix(at, middle, far), q])
}

function cap(place: Place, way: 1 | -1, { cap }: Stroke, h: number): string {
  if (cap === 'butt') return ''
  if (cap === 'round') return disc(place.at, h)
  const { at, heading } = place
  const far = { at: { x: at.x + way * h * heading.x, y: at.y + way * h * heading.y }, heading }
  return polygon([beside(place, h), beside(place, -h), beside(far, -h), beside(far, h)])
}

const beside = ({ at, heading }: Place, h: number): Point => ({ x: at.x - h * heading.y, y: at.y + h * heading.x })

function polygon(points: readonly Point[]): string {
  const twice = points.reduce((sum, p, i) => sum + cross(p, points[(i + 1) % points.length]!), 0)
  const round = twice < 0 ? points.toReversed() : points
  return `M${round.map(({ x, y }) => `${x.toFixed(7)} ${y.toFixed(7)}`).join('L')}Z`
}

const disc = ({ x, y }: Point, h: number): string =>
  `M${x - h} ${y}a${h} ${h} 0 0 1 ${2 * h} 0a${h} ${h} 0 0 1 ${-2 * h} 0Z`
