import type { Box } from '../geometry/box'
import type { SnapLine } from './targets'

type Span = { readonly from: number; readonly to: number }

const figure = (value: number): string => String(Math.round(value * 100) / 100)

/**
 * Where a box that is moved along one axis leaves gaps equal to those beside it: in the middle between two neighbours,
 * or as far from one as that is from the next. Only boxes beside it count, which overlap it across the axis.
 */
export function equalGaps(box: Box, others: readonly Box[], axis: 'x' | 'y'): SnapLine[] {
  const along = ({ x, y, w, h }: Box): Span => (axis === 'x' ? { from: x, to: x + w } : { from: y, to: y + h })
  const across = ({ x, y, w, h }: Box): Span => (axis === 'x' ? { from: y, to: y + h } : { from: x, to: x + w })
  const own = along(box),
    size = own.to - own.from,
    beside = across(box)
  const spans = others
    .filter((other) => across(other).to > beside.from && across(other).from < beside.to)
    .map(along)
    .sort((a, b) => a.from - b.from)
  const places: SnapLine[] = []
  for (let i = 0; i + 1 < spans.length; i++) {
    const a = spans[i]!,
      b = spans[i + 1]!,
      gap = b.from - a.to
    if (gap <= 0) continue
    const label = `equal gap ${figure(gap)}`
    places.push({ value: b.to + gap, label }, { value: a.from - gap - size, label })
    if (gap > size) places.push({ value: a.to + (gap - size) / 2, label: `equal gap ${figure((gap - size) / 2)}` })
  }
  return places
}

/** Where the far side of a box drawn from a place makes it as wide (or high) as another. */
export function equalSizes(from: number, others: readonly Box[], axis: 'x' | 'y'): SnapLine[] {
  const sizes = new Set(others.map(({ w, h }) => (axis === 'x' ? w : h)).filter((size) => size > 0))
  return [...sizes].flatMap((size) => {
    const label = `equal ${axis === 'x' ? 'width' : 'height'} ${figure(size)}`
    return [
      { value: from + size, label },
      { value: from - size, label },
    ]
  })
}
