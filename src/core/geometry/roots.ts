import { LAST_BIT } from './tolerance'

/**
 * A root of a polynomial on 0..1; a touch is a place where the value comes within the tolerance without having to
 * change sign.
 */
export type Root = { readonly t: number; readonly touch: boolean }

function valueAt(c: readonly number[], t: number): number {
  let value = 0
  for (let i = c.length - 1; i >= 0; i--) value = value * t + c[i]!
  return value
}

/**
 * The root of a polynomial that is monotone between `a` and `b` and changes sign there: Newton's method, with bisection
 * where a step leaves the interval.
 */
function refine(c: readonly number[], d: readonly number[], a: number, b: number, rising: boolean): number {
  let lo = a,
    hi = b,
    t = (a + b) / 2
  for (let i = 0; i < 80; i++) {
    const value = valueAt(c, t)
    if (value === 0) return t
    if (value < 0 === rising) lo = t
    else hi = t
    const slope = valueAt(d, t)
    const step = t - value / slope
    const next = step > lo && step < hi ? step : (lo + hi) / 2
    if (Math.abs(next - t) < 1e-16 || hi - lo < LAST_BIT) return next
    t = next
  }
  return t
}

/**
 * Every real root on 0..1 of a polynomial, its coefficients from the constant upwards, in order. Between the extremes,
 * which are the roots of the derivative, the polynomial is monotone, so no root can be missed. An extreme within
 * `tolerance` of zero is a touch, and the one or two roots next to it are the same place.
 */
export function rootsOnUnit(coefficients: readonly number[], tolerance: number): Root[] {
  let n = coefficients.length
  const scale = coefficients.reduce((most, c) => Math.max(most, Math.abs(c)), 0)
  while (n > 1 && Math.abs(coefficients[n - 1]!) <= LAST_BIT * scale) n--
  if (n <= 1) return []
  if (n === 2) {
    const t = -coefficients[0]! / coefficients[1]!
    return t >= -1e-16 && t <= 1 + 4e-16 ? [{ t: Math.max(0, Math.min(1, t)), touch: false }] : []
  }
  const c = n === coefficients.length ? coefficients : coefficients.slice(0, n)
  // Values below this are rounding errors of zero.
  const nothing = 4e-16 * scale
  if (n > 3 && staysAway(c, Math.max(tolerance, nothing))) return []
  const d = derivative(c)
  const extremes = n === 4 ? quadraticRoots(d) : rootsOnUnit(d, 0)
  const roots: Root[] = []
  let from = 0,
    value = valueAt(c, 0),
    done = Math.abs(value) <= nothing
  if (done) roots.push({ t: 0, touch: false })
  for (let i = 0; i <= extremes.length; i++) {
    const inner = i < extremes.length,
      to = inner ? extremes[i]!.t : 1
    if (inner && (to <= 0 || to >= 1)) continue
    const next = valueAt(c, to),
      away = Math.abs(next)
    const touch = inner && away <= tolerance
    if (!done && !touch && away > nothing && value < 0 !== next < 0)
      roots.push({ t: refine(c, d, from, to, value < 0), touch: false })
    done = touch || away <= nothing
    if (done) roots.push({ t: to, touch })
    from = to
    value = next
  }
  return roots
}

const derivative = (c: readonly number[]): number[] => {
  const d = new Array<number>(c.length - 1)
  for (let i = 1; i < c.length; i++) d[i - 1] = c[i]! * i
  return d
}

/** Roots of a quadratic within 0..1, in order, without loss where its linear term is great. */
function quadraticRoots([c, b, a]: readonly number[]): Root[] {
  const under = b! * b! - 4 * a! * c!
  if (a === 0 || under < 0) return a === 0 && b !== 0 ? [{ t: -c! / b!, touch: false }] : []
  const q = -0.5 * (b! + (b! < 0 ? -1 : 1) * Math.sqrt(under))
  const s = q / a!,
    t = q === 0 ? s : c! / q
  const least = Math.min(s, t),
    most = Math.max(s, t)
  const first = least > 0 && least < 1,
    second = most > 0 && most < 1 && most !== least
  return [...(first ? [{ t: least, touch: false }] : []), ...(second ? [{ t: most, touch: false }] : [])]
}

/** True if all control values of a Bézier polynomial on 0..1 are on one side of zero, farther than a margin. */
function staysAway(c: readonly number[], margin: number): boolean {
  const n = c.length - 1,
    control = new Array<number>(n + 1)
  for (let i = 0, choose = 1; i <= n; i++) {
    control[i] = c[i]! / choose
    choose = (choose * (n - i)) / (i + 1)
  }
  for (let j = 1; j <= n; j++) for (let i = n; i >= j; i--) control[i]! += control[i - 1]!
  const above = control[0]! > 0
  for (let i = 0; i <= n; i++) if (above ? control[i]! <= margin : control[i]! >= -margin) return false
  return true
}
