/** A computation that yields often to let its caller do other work; returns its result. */
export type Steps<T> = Generator<void, T>

/** Runs a computation to its end without a rest. */
export function atOnce<T>(steps: Steps<T>): T {
  for (;;) {
    const { done, value } = steps.next()
    if (done) return value
  }
}

/** How many items are put in order in one step. */
const RUN = 512

/** Items in order, those that are equal in the order they had: runs put in order and merged. */
export function* sortedIn<T>(items: readonly T[], compare: (a: T, b: T) => number): Steps<T[]> {
  let runs: T[][] = []
  for (let i = 0; i < items.length; i += RUN) {
    runs.push(items.slice(i, i + RUN).sort(compare))
    yield
  }
  while (runs.length > 1) {
    const merged: T[][] = []
    for (let i = 0; i < runs.length; i += 2) merged.push(yield* mergedIn(runs[i]!, runs[i + 1] ?? [], compare))
    runs = merged
  }
  return runs[0] ?? []
}

function* mergedIn<T>(a: readonly T[], b: readonly T[], compare: (a: T, b: T) => number): Steps<T[]> {
  const all: T[] = []
  let i = 0,
    k = 0
  while (i < a.length || k < b.length) {
    const isFirst = k >= b.length || (i < a.length && compare(a[i]!, b[k]!) <= 0)
    all.push(isFirst ? a[i++]! : b[k++]!)
    if (all.length % RUN === 0) yield
  }
  return all
}
