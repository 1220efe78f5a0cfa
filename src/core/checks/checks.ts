import { lowContrast, nearlySymmetric, offCentre } from './balance'
import { cannotBeDrawn } from './cannot-be-drawn'
import type { Accepted } from '../drawing/accepted'
import type { Check, Checked, Snag } from './check'
import { nearlyStraight, ownAngle } from './directions'
import { duplicates } from './duplicates'
import { invisible } from './invisible'
import { leak } from './leak'
import { smallCounter, smallGap } from './narrow'
import { nearlyCentred, nearlyConcentric, nearlyEqual, nearlyTangent } from './near'
import { doubledNodes, needlessNodes, strayNodes, zeroHandles } from './nodes'
import { offGrid } from './off-grid'
import { offPixel } from './off-pixel'
import { ownColour } from './own-colour'
import { ownCap, ownJoin } from './own-ends'
import { ownRadius } from './own-radius'
import { ownWeight } from './own-weight'
import { crossesSafeZone, missesKeyline, outsideLiveArea } from './reach'
import { seam } from './seam'

/** Everything that is looked for in a drawing, in the order in which it is shown. */
export const CHECKS: readonly Check[] = [
  cannotBeDrawn,
  offPixel,
  offGrid,
  nearlyStraight,
  ownAngle,
  ownWeight,
  ownRadius,
  ownColour,
  ownCap,
  ownJoin,
  nearlyCentred,
  nearlyConcentric,
  nearlyTangent,
  nearlyEqual,
  nearlySymmetric,
  smallGap,
  smallCounter,
  seam,
  outsideLiveArea,
  crossesSafeZone,
  missesKeyline,
  offCentre,
  lowContrast,
  leak,
  doubledNodes,
  strayNodes,
  needlessNodes,
  zeroHandles,
  duplicates,
  invisible,
]

/** How much a check matters under rules: what they say of it, or what it says itself. */
export const severityOf = ({ id, severity }: Check, { checks }: Checked['rules']) => checks?.[id] ?? severity

/** What is found in a drawing, but for what is accepted in it and what the rules do not look for. */
export function snagsIn(checked: Checked, accepted: readonly Accepted[] = []): Snag[] {
  const known = new Set(accepted.map(keyOf))
  return CHECKS.flatMap((check): Snag[] => {
    const severity = severityOf(check, checked.rules)
    if (severity === 'off') return []
    return check
      .find(checked)
      .map((found) => ({ ...found, check: check.id, severity }))
      .filter((snag) => !known.has(keyOf(snag)))
  })
}

/** What tells one snag from another in a drawing: what was looked for, and in which objects. */
export const keyOf = ({ check, objects }: { readonly check: string; readonly objects: readonly string[] }): string =>
  [check, ...[...objects].sort()].join(' ')
