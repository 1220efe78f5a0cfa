import { type Form, type Spot, sumOf, valueOf } from './form'

/**
 * A relation between the unknowns of a figure, solved by Levenberg–Marquardt with damping. `weight` applies to squares;
 * residuals are lengths on the other grid.
 * - `sum`: a form is 0.
 * - `beside`: a place has a distance from the line through two others, on its left.
 * - `away`: two places have a distance.
 * - `parallel`: the direction between two places is that between two others, turned by an angle.
 */
export type Relation = { readonly weight: number } & (
  | { readonly kind: 'sum'; readonly form: Form }
  | { readonly kind: 'beside'; readonly p: Spot; readonly a: Spot; readonly b: Spot; readonly by: Form }
  | { readonly kind: 'away'; readonly p: Spot; readonly q: Spot; readonly by: Form }
  | {
      readonly kind: 'parallel'
      readonly a: Spot
      readonly b: Spot
      readonly c: Spot
      readonly d: Spot
      readonly cos: number
      readonly sin: number
    }
)

/** The most unknowns that are solved for at once: the work grows with their third power. */
export const MOST_UNKNOWNS = 300
/** How often the relations are drawn straight again where they are, at most. */
const ROUNDS = 40
/** Unknowns that move by less, in units of the other grid, are at rest. */
const REST = 1e-10
/** The damping after a first step that made things worse, by how much it changes, and below which share there is none. */
const DAMPING = 1e-3,
  FACTOR = 10,
  LEAST = 1e-7

/**
 * The values of unknowns by which relations hold best, near where they begin: damped least squares (Levenberg 1944,
 * Marquardt 1963) with `stay` as the weight of each unknown’s wish to stay. Relations are drawn straight at the present
 * values (Gauss–Newton) and the normal equations solved by Cholesky’s method; a step that makes the sum of squares larger
 * is taken back and tried shorter.
 */
export function solved(
  begin: readonly number[],
  stay: ArrayLike<number>,
  relations: readonly Relation[],
): Float64Array {
  const n = begin.length
  const squares = (at: ArrayLike<number>): number => {
    let sum = 0
    for (let i = 0; i < n; i++) sum += stay[i]! * (begin[i]! - at[i]!) ** 2
    for (const relation of relations) sum += relation.weight * missedBy(relation, at) ** 2
    return sum
  }
  let values = Float64Array.from(begin),
    least = squares(values),
    damping = 0
  for (let round = 0; round < ROUNDS; round++) {
    const { matrix, right } = normal(begin, stay, relations, values)
    let most = 0
    for (;;) {
      const damped = Float64Array.from(matrix)
      for (let i = 0; i < n; i++) damped[i * n + i]! *= 1 + damping
      const step = cholesky(damped, right, n)
      const next = values.map((value, i) => value + step[i]!)
      const sum = squares(next)
      most = step.reduce((far, one) => Math.max(far, Math.abs(one)), 0)
      if (sum <= least || most < REST) {
        ;[values, least] = [next, sum]
        damping = damping < LEAST ? 0 : damping / FACTOR
        break
      }
      damping = Math.max(DAMPING, damping * FACTOR)
      // No step improves the result, or values are not finite.
      if (damping > 1e12 || Number.isNaN(sum)) return values
    }
    if (most < REST) break
  }
  return values
}

/** The normal equations of the relations at some values, with the wish of each unknown to stay. */
function normal(
  begin: readonly number[],
  stay: ArrayLike<number>,
  relations: readonly Relation[],
  values: Float64Array,
): { matrix: Float64Array; right: Float64Array } {
  const n = begin.length
  const matrix = new Float64Array(n * n),
    right = new Float64Array(n)
  for (let i = 0; i < n; i++) {
    matrix[i * n + i] = stay[i]!
    right[i] = stay[i]! * (begin[i]! - values[i]!)
  }
  for (const relation of relations) {
    const { off, of, by } = straight(relation, values)
    for (let i = 0; i < of.length; i++) {
      const factor = relation.weight * by[i]!
      right[of[i]!]! -= factor * off
      for (let k = 0; k < of.length; k++) matrix[of[i]! * n + of[k]!]! += factor * by[k]!
    }
  }
  return { matrix, right }
}

/** By how much a relation is missed, in units of the other grid. */
export const missedBy = (relation: Relation, values: ArrayLike<number>): number => straight(relation, values).off

type Straight = { readonly off: number; readonly of: readonly number[]; readonly by: readonly number[] }

/** A relation as a form of the unknowns near their values: by how much it is missed, and how that changes. */
function straight(relation: Relation, values: ArrayLike<number>): Straight {
  const at = (form: Form) => valueOf(form, values)
  const as = (off: number, terms: readonly (readonly [number, Form])[]): Straight => {
    const { of, by } = sumOf(terms)
    return { off, of, by }
  }
  switch (relation.kind) {
    case 'sum':
      return { off: at(relation.form), of: relation.form.of, by: relation.form.by }
    case 'beside': {
      const { p, a, b, by } = relation
      const ux = at(b.x) - at(a.x),
        uy = at(b.y) - at(a.y),
        long = Math.hypot(ux, uy) || 1e-9
      const wx = at(p.x) - at(a.x),
        wy = at(p.y) - at(a.y)
      const away = (ux * wy - uy * wx) / long,
        along = (ux * wx + uy * wy) / (long * long)
      // The line turns with its ends: a place moves with the share of each that it lies at.
      const nx = -uy / long,
        ny = ux / long
      return as(away - at(by), [
        [nx, p.x],
        [ny, p.y],
        [-nx * (1 - along), a.x],
        [-ny * (1 - along), a.y],
        [-nx * along, b.x],
        [-ny * along, b.y],
        [-1, by],
      ])
    }
    case 'away': {
      const { p, q, by } = relation
      const dx = at(p.x) - at(q.x),
        dy = at(p.y) - at(q.y),
        long = Math.hypot(dx, dy) || 1e-9
      return as(long - at(by), [
        [dx / long, p.x],
        [dy / long, p.y],
        [-dx / long, q.x],
        [-dy / long, q.y],
        [-1, by],
      ])
    }
    case 'parallel': {
      const { a, b, c, d, cos, sin } = relation
      const ux = at(b.x) - at(a.x),
        uy = at(b.y) - at(a.y)
      const wx = at(d.x) - at(c.x),
        wy = at(d.y) - at(c.y)
      const vx = cos * wx - sin * wy,
        vy = sin * wx + cos * wy
      const u = Math.hypot(ux, uy) || 1e-9,
        v = Math.hypot(vx, vy) || 1e-9
      // As a length: the distance of the end of the shorter vector from the other direction.
      const short = Math.min(u, v),
        k = short / (u * v)
      const fx = -uy * k,
        fy = ux * k
      return as((ux * vy - uy * vx) * k, [
        [vy * k, b.x],
        [-vy * k, a.x],
        [-vx * k, b.y],
        [vx * k, a.y],
        [fx * cos + fy * sin, d.x],
        [-(fx * cos + fy * sin), c.x],
        [-fx * sin + fy * cos, d.y],
        [-(-fx * sin + fy * cos), c.y],
      ])
    }
  }
}

/** The solution of a symmetric positive system; the matrix is used up. */
function cholesky(matrix: Float64Array, right: Float64Array, n: number): Float64Array {
  for (let i = 0; i < n; i++)
    for (let k = 0; k <= i; k++) {
      let sum = matrix[i * n + k]!
      for (let m = 0; m < k; m++) sum -= matrix[i * n + m]! * matrix[k * n + m]!
      if (i === k) matrix[i * n + i] = Math.sqrt(Math.max(sum, 1e-12))
      else matrix[i * n + k] = sum / matrix[k * n + k]!
    }
  const y = new Float64Array(n)
  for (let i = 0; i < n; i++) {
    let sum = right[i]!
    for (let k = 0; k < i; k++) sum -= matrix[i * n + k]! * y[k]!
    y[i] = sum / matrix[i * n + i]!
  }
  for (let i = n - 1; i >= 0; i--) {
    let sum = y[i]!
    for (let k = i + 1; k < n; k++) sum -= matrix[k * n + i]! * y[k]!
    y[i] = sum / matrix[i * n + i]!
  }
  return y
}
