import { pointAt, type Segment } from '../core/geometry/segment'
import { combine, type Role } from '../core/planar/boolean'
import type { Path } from '../core/geometry/path'
import type { Point } from '../core/geometry/point'
import { passes } from '../core/geometry/winding'
import { jittered, random, randomShape, type Shape } from './shapes'

const ROLES: readonly Role[] = ['adds', 'cuts', 'overlap', 'flips']

type Member = { readonly shape: Shape; readonly role: Role; readonly path: Path; readonly off: number }

/** The shapes of one random case: in half of them some come again, and all are a little off. */
function membersOf(seed: number, next: () => number): Member[] {
  const isJittered = seed % 2 === 0,
    members: Member[] = []
  for (let left = 2 + Math.floor(next() * 4); left > 0; left--) {
    const again = isJittered && members.length > 0 && next() < 0.3
    const shape = again ? members[Math.floor(next() * members.length)]!.shape : randomShape(next)
    const off = isJittered && next() < 0.8 ? 10 ** (-9 + 4 * next()) : 0
    members.push({
      shape,
      role: ROLES[Math.floor(next() * 4)]!,
      path: off > 0 ? jittered(shape.path, off, next) : shape.path,
      off,
    })
  }
  return members
}

/** What is wrong with one random case, null when nothing is. */
export function faultOf(seed: number): string | null {
  const next = random(seed),
    members = membersOf(seed, next)
  let result: Path
  try {
    result = combine(members.map(({ path, role }) => ({ path, role })))
  } catch (error) {
    return `threw ${String(error)}`
  }
  for (const { segments } of result) {
    const bad = segments.findIndex((s, i) => {
      const after = segments[(i + 1) % segments.length]!
      return s.to.x !== after.from.x || s.to.y !== after.from.y || !Number.isFinite(pointAt(s, 0.5).x)
    })
    if (bad !== -1) return `contour open at ${bad}: ${JSON.stringify(segments)}`
  }
  for (const p of samples(
    members.map(({ shape }) => shape),
    next,
  )) {
    if (members.some(({ shape, off }) => shape.away(p) < 1e-6 + 80 * off)) continue
    const should = members.reduce((so, { shape, role }, i) => {
      const here = shape.contains(p)
      return i === 0
        ? here
        : role === 'adds'
          ? so || here
          : role === 'cuts'
            ? so && !here
            : role === 'overlap'
              ? so && here
              : so !== here
    }, false)
    const winding = result.reduce((sum, { segments }) => sum + segments.reduce((part, s) => part + passes(s, p), 0), 0)
    if ((winding !== 0) !== should || Math.abs(winding) > 1)
      return `at ${p.x},${p.y} winding ${winding}, should be ${should ? 'inside' : 'outside'}`
  }
  return null
}

/** Points all over, and points just beside the edges, where things go wrong. */
function samples(shapes: readonly Shape[], next: () => number): Point[] {
  const all = Array.from({ length: 24 }, () => ({ x: next() * 30 - 3, y: next() * 30 - 3 }))
  const segments = shapes.flatMap(({ path }) => path.flatMap((contour) => contour.segments as Segment[]))
  for (let i = 0; i < 24; i++) {
    const p = pointAt(segments[Math.floor(next() * segments.length)]!, next())
    const angle = next() * 7,
      away = 10 ** (-1 - 4.5 * next())
    all.push({ x: p.x + away * Math.cos(angle), y: p.y + away * Math.sin(angle) })
  }
  return all
}
