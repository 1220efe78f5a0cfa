import { cross, distance, dot, hypot, type Point, scale, subtract, unit } from './point'
import { PARALLEL, ROUNDING } from './tolerance'

/** A circle; of radius 0, a point. */
export type Circle = { readonly centre: Point; readonly r: number }

/** A line without end through two points. */
type Through = { readonly a: Point; readonly b: Point }

/** Something a circle or a line may have to touch. */
export type Touched = Circle | Through

const isCircle = (one: Touched): one is Circle => 'centre' in one

/** Solutions that differ by less than this, in grid units, are the same. */
const ALIKE = 1e-9

/** The circle through three points; null when they are in line. */
export function circleThrough(a: Point, b: Point, c: Point): Circle | null {
  const u = subtract(b, a),
    v = subtract(c, a)
  const twice = 2 * cross(u, v)
  const size = Math.max(dot(u, u), dot(v, v))
  if (Math.abs(twice) <= 1e-13 * size) return null
  const uu = dot(u, u),
    vv = dot(v, v)
  const away = { x: (v.y * uu - u.y * vv) / twice, y: (u.x * vv - v.x * uu) / twice }
  return { centre: { x: a.x + away.x, y: a.y + away.y }, r: hypot(away.x, away.y) }
}

/**
 * Every circle that touches three lines, circles or points (the problem of Apollonius), the least first: on whichever
 * side of each. Two linear equations in x, y and r, from the lines and from differences of the circles, leave a line of
 * candidates on which the last circle's equation is a quadratic.
 */
export function circlesTouching(three: readonly [Touched, Touched, Touched]): Circle[] {
  const circles = three.filter(isCircle),
    lines = three.filter((one): one is Through => !isCircle(one))
  const found: Circle[] = []
  for (let signs = 0; signs < 8; signs++) {
    const sign = (i: number) => ((signs >> i) & 1 ? -1 : 1)
    const linear = lines.map(({ a, b }, i): Row => {
      const d = unit(subtract(b, a))
      return [-d.y, d.x, -sign(i), -d.y * a.x + d.x * a.y]
    })
    const [first, ...others] = circles
    const quadric = (c: Circle, s: number): Row => [
      -2 * c.centre.x,
      -2 * c.centre.y,
      -2 * s * c.r,
      c.r * c.r - c.centre.x ** 2 - c.centre.y ** 2,
    ]
    if (first) {
      const own = quadric(first, sign(lines.length))
      others.forEach((c, i) => linear.push(quadric(c, sign(lines.length + 1 + i)).map((k, at) => k - own[at]!) as Row))
      const solution = lineOfSolutions(linear[0]!, linear[1]!)
      if (solution) for (const [x, y, r] of onQuadric(solution, own)) addCircle(found, { centre: { x, y }, r })
    } else {
      const solution = lineOfSolutions(linear[0]!, linear[1]!)
      if (!solution) continue
      const [p, v] = solution,
        [a, b, c, d] = linear[2]!
      const along = a * v[0] + b * v[1] + c * v[2]
      if (Math.abs(along) < ROUNDING) continue
      const u = (d - a * p[0] - b * p[1] - c * p[2]) / along
      addCircle(found, { centre: { x: p[0] + u * v[0], y: p[1] + u * v[1] }, r: p[2] + u * v[2] })
    }
  }
  return found.sort((p, q) => p.r - q.r)
}

/** Every circle of a given radius that touches two lines, circles or points. */
export function circlesOfRadius(a: Touched, b: Touched, r: number): Circle[] {
  const found: Circle[] = []
  const around = (one: Touched): Touched[] => {
    if (isCircle(one))
      return [...new Set([one.r + r, Math.abs(one.r - r)])].map((radius) => ({ centre: one.centre, r: radius }))
    const d = unit(subtract(one.b, one.a))
    return [r, -r].map((k) => ({
      a: { x: one.a.x - k * d.y, y: one.a.y + k * d.x },
      b: { x: one.b.x - k * d.y, y: one.b.y + k * d.x },
    }))
  }
  for (const p of around(a))
    for (const q of around(b)) for (const centre of meetings(p, q)) addCircle(found, { centre, r })
  return found
}

/**
 * The places of a circle at which lines through a point touch it: two, one when the point is on it, none when it is
 * inside.
 */
export function tangentPlaces(p: Point, { centre, r }: Circle): Point[] {
  const away = distance(p, centre)
  if (away < r - ALIKE || r === 0) return []
  const u = scale(subtract(p, centre), 1 / away)
  const along = (r * r) / away,
    aside = Math.sqrt(Math.max(0, r * r - along * along))
  const at = (k: number): Point => ({ x: centre.x + u.x * along - u.y * k, y: centre.y + u.y * along + u.x * k })
  return aside < ALIKE ? [at(0)] : [at(aside), at(-aside)]
}

/**
 * The lines that touch two circles, each from the place on the first to the place on the second: two outer, then two
 * inner where there are.
 */
export function commonTangents(a: Circle, b: Circle): [Point, Point][] {
  const d = subtract(b.centre, a.centre),
    far = hypot(d.x, d.y)
  if (far === 0) return []
  const u = scale(d, 1 / far)
  return [-1, 1].flatMap((inner) => {
    const cos = (a.r + inner * b.r) / far
    if (Math.abs(cos) > 1 + ROUNDING) return []
    const sin = Math.sqrt(Math.max(0, 1 - cos * cos))
    return (sin < 1e-9 ? [0] : [sin, -sin]).map((s): [Point, Point] => {
      const n = { x: u.x * cos - u.y * s, y: u.y * cos + u.x * s }
      const on = ({ centre }: Circle, k: number): Point => ({ x: centre.x + n.x * k, y: centre.y + n.y * k })
      return [on(a, a.r), on(b, -inner * b.r)]
    })
  })
}

/** Where two of what may be touched meet. */
export function meetings(a: Touched, b: Touched): Point[] {
  if (isCircle(a)) return isCircle(b) ? circlesMeet(a, b) : lineMeetsCircle(b, a)
  if (isCircle(b)) return lineMeetsCircle(a, b)
  const d = subtract(a.b, a.a),
    e = subtract(b.b, b.a),
    across = cross(d, e)
  if (Math.abs(across) <= PARALLEL * hypot(d.x, d.y) * hypot(e.x, e.y)) return []
  const s = cross(subtract(b.a, a.a), e) / across
  return [{ x: a.a.x + d.x * s, y: a.a.y + d.y * s }]
}

function lineMeetsCircle({ a, b }: Through, { centre, r }: Circle): Point[] {
  const d = unit(subtract(b, a)),
    away = subtract(centre, a)
  const along = dot(away, d),
    aside = cross(d, away)
  const half = r * r - aside * aside
  if (half < -ALIKE * r) return []
  const at = (k: number): Point => ({ x: a.x + d.x * k, y: a.y + d.y * k })
  const h = Math.sqrt(Math.max(0, half))
  return h < 1e-7 ? [at(along)] : [at(along - h), at(along + h)]
}

function circlesMeet(a: Circle, b: Circle): Point[] {
  const d = subtract(b.centre, a.centre),
    far = hypot(d.x, d.y)
  if (far === 0 || far > a.r + b.r + ALIKE || far < Math.abs(a.r - b.r) - ALIKE) return []
  const along = (far * far + a.r * a.r - b.r * b.r) / (2 * far),
    aside = Math.sqrt(Math.max(0, a.r * a.r - along * along))
  const u = scale(d, 1 / far)
  const at = (k: number): Point => ({ x: a.centre.x + u.x * along - u.y * k, y: a.centre.y + u.y * along + u.x * k })
  return aside < 1e-7 ? [at(0)] : [at(aside), at(-aside)]
}

/** a·x + b·y + c·r = d. */
type Row = [a: number, b: number, c: number, d: number]
type Triple = readonly [number, number, number]

/** The line on which two planes meet: a place on it and its direction; null when they are parallel. */
function lineOfSolutions(p: Row, q: Row): [Triple, Triple] | null {
  const v = [p[1] * q[2] - p[2] * q[1], p[2] * q[0] - p[0] * q[2], p[0] * q[1] - p[1] * q[0]] as const
  const sizes = v.map(Math.abs),
    most = Math.max(...sizes)
  const size = Math.hypot(p[0], p[1], p[2]) * Math.hypot(q[0], q[1], q[2])
  if (most <= ROUNDING * size) return null
  // The coordinate along which the line runs most is set to nothing.
  const k = sizes.indexOf(most),
    i = (k + 1) % 3,
    j = (k + 2) % 3
  const place: [number, number, number] = [0, 0, 0]
  place[i] = (p[3] * q[j]! - q[3] * p[j]!) / v[k]!
  place[j] = (p[i]! * q[3] - q[i]! * p[3]) / v[k]!
  return [place, v.map((value) => value / most) as unknown as Triple]
}

/** Where a line of (x, y, r) meets x² + y² − r² + a·x + b·y + c·r = d. */
function onQuadric([p, v]: [Triple, Triple], [a, b, c, d]: Row): Triple[] {
  const square = v[0] * v[0] + v[1] * v[1] - v[2] * v[2]
  const half = p[0] * v[0] + p[1] * v[1] - p[2] * v[2] + (a * v[0] + b * v[1] + c * v[2]) / 2
  const rest = p[0] * p[0] + p[1] * p[1] - p[2] * p[2] + a * p[0] + b * p[1] + c * p[2] - d
  const at = (u: number): Triple => [p[0] + u * v[0], p[1] + u * v[1], p[2] + u * v[2]]
  if (Math.abs(square) < ROUNDING) return Math.abs(half) < PARALLEL ? [] : [at(-rest / (2 * half))]
  const under = half * half - square * rest
  // A touch of the quadric: what rounding leaves under the root is nothing.
  if (under < -1e-10 * (half * half + Math.abs(square * rest))) return []
  const root = Math.sqrt(Math.max(0, under)),
    sum = -(half + Math.sign(half || 1) * root)
  return [at(sum / square), ...(sum === 0 ? [] : [at(rest / sum)])]
}

function addCircle(found: Circle[], one: Circle): void {
  if (!(one.r > ALIKE) || !Number.isFinite(one.centre.x + one.centre.y + one.r)) return
  const near = 1e-7 * (1 + one.r)
  if (!found.some((other) => Math.abs(other.r - one.r) < near && distance(other.centre, one.centre) < near))
    found.push(one)
}
