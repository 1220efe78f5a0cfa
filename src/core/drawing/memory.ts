/** Results remembered for a pair of things that are never changed in place; they last as long as both of them. */
export type Memory<A extends object, B extends object, T> = WeakMap<A, WeakMap<B, T>>

/** The remembered result for a pair, computed the first time. */
export function remembered<A extends object, B extends object, T>(memory: Memory<A, B, T>, a: A, b: B, compute: () => T): T {
  let results = memory.get(a)
  if (!results) memory.set(a, (results = new WeakMap()))
  let result = results.get(b)
  if (result === undefined) results.set(b, (result = compute()))
  return result
}
