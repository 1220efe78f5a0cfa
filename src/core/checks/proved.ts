import { applyDrawingEdit } from '../drawing/edit/edit'
import type { Accepted } from '../drawing/model/accepted'
import { area } from '../geometry/area'
import { fitLossesOf, originalOf } from '../rules/fit/fit-losses'
import { keyOf } from './accepting'
import type { Checked } from './check'
import type { Snag } from './snag'
import { CHECKS } from './checks'
import { keepsExactness } from '../drawing/edit/exactness'
import { inkInSquare } from './look/ink'
import { snagsIn } from './snags'

/** The most mends that are tried for one list of snags. Further ones are tried once those are made. */
const TRIED = 40

/** The largest share by which a mend may change the area of the ink. A larger change makes another drawing. */
const MOST = 0.35

/** The snags of a drawing, without the mends that would do harm. */
export function snagsWithProvedMends(checked: Checked, accepted: readonly Accepted[] = []): Snag[] {
  const all = snagsIn(checked, accepted)
  let tried = 0
  return all.map((snag) => {
    if (!snag.mend) return snag
    if (tried++ < TRIED && isProved(snag, checked, all, accepted)) return snag
    const { mend: _, ...rest } = snag
    return rest
  })
}

/**
 * Tries a mend. Returns true if its snag is gone, no other relevant snag came, fewer are left, places on the grid stayed on
 * it, and the picture is kept: contours, segments, symmetries, and about the same ink.
 */
export function isProved(
  snag: Snag,
  checked: Checked,
  all: readonly Snag[],
  accepted: readonly Accepted[] = [],
): boolean {
  const objects = applyDrawingEdit(checked.objects, snag.mend!)
  if (!keepsExactness(checked.objects, objects, checked.rules.grid.step)) return false
  const next = { ...checked, objects }
  const now = snagsIn(next, accepted)
  if (now.length >= all.length) return false
  if (now.some((one) => isSame(one, snag))) return false
  const known = new Map<string, number>()
  for (const one of all) known.set(keyOf(one), (known.get(keyOf(one)) ?? 0) + 1)
  for (const one of now) {
    if (one.severity === 'note') continue
    const left = (known.get(keyOf(one)) ?? 0) - 1
    if (left < 0) return false
    known.set(keyOf(one), left)
  }
  return keepsPicture(snag, checked, next)
}

const isSame = (a: Snag, b: Snag): boolean => keyOf(a) === keyOf(b) && a.sentence === b.sentence

function keepsPicture(snag: Snag, before: Checked, after: Checked): boolean {
  const was = inkInSquare(before),
    is = inkInSquare(after)
  const grown = area(is) / (area(was) || 1)
  if (grown > 1 + MOST || grown < 1 - MOST) return false
  const remakes = CHECKS.find(({ id }) => id === snag.check)?.remakes
  if (remakes === 'contours') return true
  // A mend may move things, as its sentence says.
  return fitLossesOf(originalOf(was, was, 1), is).every(({ what }) => what === 'moved' || what === remakes)
}
