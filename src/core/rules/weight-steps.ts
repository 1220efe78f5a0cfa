import type { NamedNumber } from '../drawing/model/values'
import { tidy } from '../geometry/tidy'
import type { Rules } from './rules'

/** How far a whole weight may lie from proportion before a half is taken instead, as a share of what proportion asks. */
const NEAR = 0.2

const half = (value: number): number => Math.max(0.5, Math.round(2 * value) / 2)

/** The nearest weight that can be crisp on both sides: a whole number from 1 up, else a half. */
const whole = (value: number): number => (value < 0.75 ? 0.5 : Math.max(1, Math.round(value)))

/** A weight in proportion, in units of the grid it is wanted on, as the rules step weights: monotone in the weight. */
export function steppedWeight(value: number, steps: Rules['weightSteps']): number {
  switch (steps) {
    case 'whole':
      return whole(value)
    case 'half':
      return half(value)
    case 'kept':
      return tidy(value)
    case undefined: {
      const crisp = whole(value)
      return Math.abs(crisp / value - 1) <= NEAR + 1e-9 ? crisp : half(value)
    }
  }
}

/**
 * The weights on one of the set's grids, in its units: those that its master says, the others in proportion and stepped.
 * No weight that is stepped is thinner than one said on a smaller grid, nor wider than one said on a larger.
 */
export function weightsAt(
  rules: Pick<Rules, 'grid' | 'masters' | 'weights' | 'weightSteps'>,
  base: number,
): NamedNumber[] {
  const { grid, masters = [], weightSteps } = rules
  return rules.weights.map((one) => {
    const said = masters.flatMap(({ base: on, weights }) => {
      const own = weights?.find(({ name }) => name === one.name)
      return own ? [{ on, value: own.value }] : []
    })
    const here = base === grid.size ? one : said.find(({ on }) => on === base)
    if (here) return { ...one, value: here.value }
    const all = [{ on: grid.size, value: one.value }, ...said]
    const least = Math.max(0, ...all.filter(({ on }) => on < base).map(({ value }) => value)),
      most = Math.min(Infinity, ...all.filter(({ on }) => on > base).map(({ value }) => value))
    const value = steppedWeight((one.value * base) / grid.size, weightSteps)
    // Given weights may be out of order; then the smaller grid's weight is the bound.
    return { ...one, value: Math.max(least, Math.min(most, value)) }
  })
}
