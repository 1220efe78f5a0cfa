/** A set with something in it that was not, or without it. */
export function toggled<T>(set: ReadonlySet<T>, one: T): ReadonlySet<T> {
  const next = new Set(set)
  if (!next.delete(one)) next.add(one)
  return next
}
