/** A root of a polynomial on 0..1; a touch is a place where the value comes within the tolerance without having to change sign. */
export type Root = { readonly t: number; readonly touch: boolean }

function valueAt(c: readonly number[], t: number): number {
  let value = 0
  for (let i = c.length - 1; i >= 0; i--) value = value * t + c[i]!
  return value
}

/** The root of a polynomial that is monotone between `a` and `b` and has other signs there: Newton's steps, halved where they leave. */
function refine(c: readonly number[], d: readonly number[], a: number, b: number, rising: boolean): number {
  let lo = a, hi = b, t = (a + b) / 2
  for (let i = 0; i < 80; i++) {
    const value = valueAt(c, t)
    if (value === 0) return t
    if (value < 0 === rising) lo = t
    else hi = t
    const slope = valueAt(d, t)
    const step = t - value / slope
    const next = step > lo && step < hi ? step : (lo + hi) / 2
    if (Math.abs(next - t) < 1e-16 || hi - lo < 1e-15) return next
    t = next
  }
  return t
}

/**
 * Every real root on 0..1 of a polynomial, its coefficients from the constant upwards, in order. Between the extremes, which are the
 * roots of the derivative, the polynomial is monotone, so no root can be missed. An extreme within `tolerance` of zero is a touch,
 * and the one or two roots next to it are the same place.
 */
export function rootsOnUnit(coefficients: readonly number[], tolerance: number): Root[] {
  let n = coefficients.length
  const scale = coefficients.reduce((most, c) => Math.max(most, Math.abs(c)), 0)
  while (n > 1 && Math.abs(coefficients[n - 1]!) <= 1e-15 * scale) n--
  if (n <= 1) return []
  if (n === 2) {
    const t = -coefficients[0]! / coefficients[1]!
    return t >= -1e-16 && t <= 1 + 4e-16 ? [{ t: Math.max(0, Math.min(1, t)), touch: false }] : []
  }
  const c = coefficients.slice(0, n)
  const d = c.slice(1).map((value, i) => value * (i + 1))
  const extremes = rootsOnUnit(d, 0).map(({ t }) => t).filter((t) => t > 0 && t < 1)
  const stops = [0, ...extremes, 1]
  const values = stops.map((t) => valueAt(c, t))
  const touching = values.map((value, i) => i > 0 && i < stops.length - 1 && Math.abs(value) <= tolerance)
  // What rounding leaves of a value that should be nothing.
  const zero = values.map((value) => Math.abs(value) <= 4e-16 * scale)
  const roots: Root[] = []
  for (let i = 0; i < stops.length; i++) {
    const value = values[i]!
    if (touching[i]) roots.push({ t: stops[i]!, touch: true })
    else if (zero[i]) roots.push({ t: stops[i]!, touch: false })
    const next = values[i + 1]
    if (next === undefined || touching[i] || touching[i + 1] || zero[i] || zero[i + 1] || value < 0 === next < 0) continue
    roots.push({ t: refine(c, d, stops[i]!, stops[i + 1]!, value < 0), touch: false })
  }
  return roots
}
