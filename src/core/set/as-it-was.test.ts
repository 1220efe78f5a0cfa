import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { changeProblem } from '../formats/change-problem'
import type { Rules } from '../rules/rules'
import { boxIcon, pier } from '../../testing/samples'
import { asItWas, thenAndNow } from './as-it-was'
import { advance, beginning, undo } from './history'
import type { IconSet } from './set'
import { runs } from '../../testing/runs'

const withGrid = ({ rules }: IconSet, size: number): Rules => ({
  ...rules,
  liveArea: size,
  keylines: [],
  grid: { ...rules.grid, size },
})
const ids = (set: IconSet) => set.icons.map(({ id }) => id)

/** Sets that differ from another one in icons, names, order, grid and what is named in their rules. */
const state = fc
  .record({
    icons: fc.shuffledSubarray(['oar', 'buoy', 'ferry', 'quay'], { minLength: 1 }),
    names: fc.shuffledSubarray(['oar', 'buoy', 'ferry', 'quay'], { minLength: 4, maxLength: 4 }),
    size: fc.constantFrom(20, 24, 32),
    hasOuter: fc.boolean(),
  })
  .map(({ icons, names, size, hasOuter }): IconSet => {
    const rules = withGrid(pier, size)
    const drawn = icons.map((id, i) => {
      const icon = boxIcon(id, names[i])
      const master = icon.masters[0]!
      return {
        ...icon,
        masters: [
          { base: size, objects: master.objects.map((one) => ({ ...one, corner: hasOuter ? one.corner : 1 })) },
        ],
      }
    })
    const radii = hasOuter ? rules.radii : rules.radii.filter(({ name }) => name !== 'outer')
    return { ...pier, rules: { ...rules, radii }, icons: drawn }
  })

describe('taking icons back', () => {
  it('gives a set that may be stored, with those icons as they were and all others as they are; undo undoes it', () => {
    fc.assert(
      fc.property(state, state, fc.shuffledSubarray(['oar', 'buoy', 'ferry', 'quay']), (past, set, icons) => {
        const next = asItWas(set, { past, icons })
        expect(changeProblem(set, next)).toBeNull()
        expect(new Set(ids(next))).toEqual(new Set([...ids(set), ...ids(past).filter((id) => icons.includes(id))]))
        expect(new Set(next.icons.map(({ name }) => name)).size).toBe(next.icons.length)
        for (const icon of next.icons) {
          const was = icons.includes(icon.id) ? past.icons.find(({ id }) => id === icon.id) : undefined
          if (!was) expect(icon).toBe(set.icons.find(({ id }) => id === icon.id))
          else if (past.rules.grid.size === set.rules.grid.size) expect(icon.masters).toEqual(was.masters)
          else expect(icon.masters[0]!.base).toBe(set.rules.grid.size)
        }
        const history = advance(beginning(set), { kind: 'as-it-was', past, icons }, 'Take back')
        expect(undo(history).present).toEqual(set)
      }),
      runs(200),
    )
  })

  it('makes the whole what it was, under the name that it has', () => {
    fc.assert(
      fc.property(state, state, (past, set) => {
        const next = asItWas({ ...set, name: 'Mole' }, { past, icons: 'all' })
        expect(next).toEqual({ ...past, name: 'Mole' })
        expect(thenAndNow(past, next).every(({ isSame }) => isSame)).toBe(true)
      }),
      runs(50),
    )
  })
})
