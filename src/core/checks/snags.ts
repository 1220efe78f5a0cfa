import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import type { Accepted } from '../drawing/model/accepted'
import { rulesForGrid } from '../rules/rules-for-grid'
import type { Rules } from '../rules/rules'
import { mainOn, masterOn } from '../set/masters'
import { acceptedIn, type Icon } from '../set/set'
import { isAccepted } from './accepting'
import type { Check, Checked } from './check'
import type { Snag } from './snag'
import { CHECKS } from './checks'
import { severityOf } from './severity'

/** Snags of a drawing, without accepted ones and without checks that are off. */
export function snagsIn(
  checked: Checked,
  accepted: readonly Accepted[] = [],
  checks: readonly Check[] = CHECKS,
): Snag[] {
  const grid = checked.rules.grid.size
  return checks.flatMap((check): Snag[] => {
    if (checked.isDerived && !check.isSeen) return []
    const severity = severityOf(
      checked.isDerived ? { ...check, severity: check.inDerived ?? check.severity } : check,
      checked.rules,
    )
    if (severity === 'off') return []
    return check
      .find(checked)
      .map((found) => ({ ...found, check: check.id, word: check.word, severity }))
      .filter((snag) => !isAccepted(snag, accepted, grid))
  })
}

/** The snags of an icon's drawing on one of the set's grids, without accepted ones. */
export function snagsOn(icon: Pick<Icon, 'masters'>, rules: Rules, base: number): Snag[] {
  const { checked, accepted } = checkedOn(icon, rules, base)
  return snagsIn(checked, accepted)
}

/** An icon's drawing on one of the set's grids in the form for checks, and its accepted snags. */
export function checkedOn(
  icon: Pick<Icon, 'masters'>,
  rules: Rules,
  base: number,
): { readonly checked: Checked; readonly accepted: readonly Accepted[] } {
  const { master, standing } = masterOn(icon, rules, base),
    book = rulesForGrid(rules, base),
    main = mainOn(icon, rules, base)
  return {
    checked: {
      objects: master.objects,
      rules: book,
      scene: sceneOf(book),
      isDerived: standing.by === 'derivation',
      ...(main && { main }),
    },
    accepted: acceptedIn(master),
  }
}
