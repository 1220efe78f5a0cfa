import type { Path } from '../../geometry/path'
import { type Narrow, narrows } from '../../geometry/walls'
import type { Checked } from '../check'
import type { Found } from '../snag'
import { shownInk } from './ink'
import { said } from './seen'

/** The length of the pieces into which outlines are cut to look across ground, in units of a 24 grid. */
const FINE = 0.5

/** Ground narrower than this, in units of a 24 grid, is a slip. */
export const ALL_BUT_SHUT = 0.15

const known = new WeakMap<Path, { readonly below: number; readonly list: readonly Narrow[] }>()

/** All ground of a drawing that is narrower than the larger of the two limits. Remembered, since two checks ask for it. */
export function narrowsIn(checked: Checked): readonly Narrow[] {
  const { gap = 0, counter = 0, sizes, grid } = checked.rules
  const ink = shownInk(checked),
    below = Math.max((Math.max(gap, counter) * grid.size) / sizes[0]!, (ALL_BUT_SHUT * grid.size) / 24)
  let one = known.get(ink)
  if (one?.below !== below) known.set(ink, (one = { below, list: narrows(ink, below, (FINE * grid.size) / 24) }))
  return one.list
}

/** Ground that is narrower than a number of pixels of the smallest delivered size. */
export function narrower(
  checked: Checked,
  pixels: number | undefined,
  counts: (one: Narrow) => boolean,
  word: string,
): Found[] {
  const { rules } = checked
  if (!pixels) return []
  const smallest = rules.sizes[0]!,
    scale = smallest / rules.grid.size
  // A width equal to the limit is wide enough.
  return narrowsIn(checked)
    .filter((one) => counts(one) && one.width < (pixels / scale) * (1 - 1e-3))
    .map(({ from, to, width }) => ({
      sentence: `A ${word} is ${said(width * scale)} px wide at ${smallest} px; the least is ${said(pixels)} px.`,
      objects: [],
      spot: { at: from, to },
    }))
}
