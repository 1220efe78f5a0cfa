/** How often each of several values occurs, and in which icons. */
export type Count<T> = { readonly value: T; readonly count: number; readonly icons: readonly string[] }

/** Counts values. Keys tell them apart; the first of a key stands for all. */
export class Tally<T> {
  private readonly all = new Map<string, { value: T; count: number; icons: Set<string> }>()

  add(value: T, icon: string, key = String(value)): void {
    let one = this.all.get(key)
    if (!one) this.all.set(key, (one = { value, count: 0, icons: new Set() }))
    one.count++
    one.icons.add(icon)
  }

  get total(): number {
    return [...this.all.values()].reduce((sum, { count }) => sum + count, 0)
  }

  /** The most frequent first; of equals the first that was added. */
  get counts(): Count<T>[] {
    return [...this.all.values()]
      .map(({ value, count, icons }) => ({ value, count, icons: [...icons] }))
      .sort((a, b) => b.count - a.count)
  }
}

/** Clusters of numbers that differ invisibly, around the most frequent ones. */
export function gathered(tally: Tally<number>, near: number): Count<number>[] {
  const groups: { value: number; count: number; icons: Set<string> }[] = []
  for (const { value, count, icons } of tally.counts) {
    const group = groups.find((one) => Math.abs(one.value - value) <= near)
    if (group) {
      group.count += count
      for (const icon of icons) group.icons.add(icon)
    } else groups.push({ value, count, icons: new Set(icons) })
  }
  return groups
    .map(({ value, count, icons }) => ({ value, count, icons: [...icons] }))
    .sort((a, b) => b.count - a.count)
}
