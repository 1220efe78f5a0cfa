/** Deep equality of plain values; the order of keys and undefined values do not matter. */
export function same(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false
  if (Array.isArray(a) !== Array.isArray(b)) return false
  const [one, other] = [a as Record<string, unknown>, b as Record<string, unknown>]
  const keys = [...new Set([...Object.keys(one), ...Object.keys(other)])]
  return keys.every((key) => same(one[key], other[key]))
}
