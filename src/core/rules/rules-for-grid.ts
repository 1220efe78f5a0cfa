import type { Style } from '../drawing/model/style'
import type { NamedNumber } from '../drawing/model/values'
import { tidy } from '../geometry/tidy'
import { onAnotherGrid } from './limits'
import type { Rules } from './rules'
import { summed } from './sums'
import { weightsAt } from './weight-steps'

/** The grids that icons of a set are drawn on, from small to large. */
export const basesOf = ({ grid, masters = [] }: Pick<Rules, 'grid' | 'masters'>): number[] =>
  [grid.size, ...masters.map(({ base }) => base)].sort((a, b) => a - b)

/**
 * The grid that a picture is drawn on, by the picture's size in pixels: the grid of that size, else the nearest in
 * proportion. Of two equally near grids it is the smaller.
 */
export function baseFor(rules: Pick<Rules, 'grid' | 'masters'>, size: number): number {
  const away = (base: number) => Math.abs(Math.log(base / size))
  return basesOf(rules).reduce((best, base) => (away(base) < away(best) - 1e-12 ? base : best))
}

const books = new WeakMap<Rules, Map<number, Rules>>()

/**
 * The rules on one of the set's grids: values of its master rule, and all other values scaled to that size, rounded to
 * whole units where they must be crisp. Parts and plates are unchanged; placements scale them. Memoised.
 */
export function rulesForGrid(rules: Rules, base: number): Rules {
  if (base === rules.grid.size && !rules.masters?.length) return rules
  let known = books.get(rules)
  if (!known) books.set(rules, (known = new Map()))
  let book = known.get(base)
  if (!book)
    known.set(base, (book = base === rules.grid.size ? { ...rules, sizes: served(rules, base) } : written(rules, base)))
  return book
}

function written(rules: Rules, base: number): Rules {
  const own = rules.masters?.find((one) => one.base === base)
  const scale = base / rules.grid.size
  const said = (list: readonly NamedNumber[] | undefined, name: string) => list?.find((one) => one.name === name)?.value
  const inStep = (value: number) => inside(even(value * scale, base), base)
  return summed({
    ...rules,
    sizes: served(rules, base),
    grid: { size: base, step: stepAt(rules.grid.step, scale), major: Math.max(1, Math.min(base, rules.grid.major)) },
    liveArea: own?.liveArea ?? inStep(rules.liveArea),
    keylines: rules.keylines.map((keyline) => ({ ...keyline, w: inStep(keyline.w), h: inStep(keyline.h) })),
    ...onAnotherGrid(rules, inStep),
    ...(rules.trim !== undefined && { trim: inStep(rules.trim) }),
    weights: weightsAt(rules, base),
    radii: rules.radii.map((one) => {
      const value = said(own?.radii, one.name)
      const { sum: _, ...plain } = one
      return value === undefined ? { ...one, value: Math.round(one.value * scale * 2) / 2 } : { ...plain, value }
    }),
    ...(rules.finishes && {
      finishes: rules.finishes.map((one) => ({ ...one, style: scaledStyle(one.style, scale) })),
    }),
    masters: undefined,
  })
}

/** The delivered sizes that are drawn on a grid. A grid without any gets its own size, so that proofs have something to show. */
function served(rules: Rules, base: number): number[] {
  const sizes = rules.sizes.filter((size) => baseFor(rules, size) === base)
  return sizes.length > 0 ? sizes : [base]
}

/** The nearest even or odd length with ends on whole units when centred in the grid. */
const even = (value: number, base: number): number => {
  const odd = base % 2
  return Math.max(1, 2 * Math.round((value - odd) / 2) + odd)
}
const inside = (value: number, base: number): number => Math.min(base, value)

/** The step on another grid: a fraction of a unit is unchanged, a larger step is rounded to the nearest half. */
const stepAt = (step: number, scale: number): number =>
  step <= 1 ? step : Math.max(0.5, Math.round(2 * step * scale) / 2)

const scaledStyle = (style: Style, by: number): Style =>
  typeof style.weight === 'string' ? style : { ...style, weight: tidy(style.weight * by) }

/** A weight at a delivered size: in pixels, and as a share of the proportional weight. */
type WeightAtSize = { readonly pixels: number; readonly share: number }

/** Each weight at each delivered size, from small to large; in the order of the weights. */
export const weightsBySize = (rules: Rules): { readonly size: number; readonly weights: readonly WeightAtSize[] }[] =>
  rules.sizes.map((size) => {
    const book = rulesForGrid(rules, baseFor(rules, size)),
      scale = size / book.grid.size
    return {
      size,
      weights: book.weights.map(({ value }, i) => ({
        pixels: tidy(value * scale),
        share: (value * rules.grid.size) / (rules.weights[i]!.value * book.grid.size),
      })),
    }
  })
