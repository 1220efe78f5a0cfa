/** Results remembered for a pair of things that are never changed in place; they last as long as both of them. */
export type Memory<A extends object, B extends object, T> = WeakMap<A, WeakMap<B, T>>

/** The remembered result for a pair, undefined when there is none. */
export const recalled = <A extends object, B extends object, T>(memory: Memory<A, B, T>, a: A, b: B): T | undefined =>
  memory.get(a)?.get(b)

/** Remembers the result for a pair. */
export function remember<A extends object, B extends object, T>(memory: Memory<A, B, T>, a: A, b: B, result: T): void {
  let results = memory.get(a)
  if (!results) memory.set(a, (results = new WeakMap()))
  results.set(b, result)
}

/** The remembered result for a pair, computed the first time. */
export function remembered<A extends object, B extends object, T>(
  memory: Memory<A, B, T>,
  a: A,
  b: B,
  compute: () => T,
): T {
  const before = recalled(memory, a, b)
  if (before !== undefined) return before
  const result = compute()
  remember(memory, a, b, result)
  return result
}
