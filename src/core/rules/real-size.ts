import type { Rules } from './rules'

/** The largest size that is shown at 1:1 where siblings stand in a row, in pixels. */
const LARGEST = 48

/** The delivered size that stands for an icon at real size: the grid's own, or the nearest that is delivered. */
export function realSize({
  sizes,
  grid,
}: {
  readonly sizes: Rules['sizes']
  readonly grid: { readonly size: number }
}): number {
  const small = sizes.filter((size) => size <= LARGEST)
  return small.find((size) => size >= grid.size) ?? small.at(-1) ?? LARGEST
}
