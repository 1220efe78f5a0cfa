import { sceneOf } from '../drawing/evaluate/evaluated-scene'
import type { Accepted } from '../drawing/model/accepted'
import type { Alike } from '../proof/look-alikes'
import { bookAt } from '../rules/book'
import type { Rules, Severity } from '../rules/rules'
import { mainOn, masterOn } from '../set/masters'
import { acceptedIn, type Icon } from '../set/set'
import { isAccepted } from './accepting'
import type { Check, Checked, Snag } from './check'
import { CHECKS, FAMILY_CHECKS } from './checks'
import { alikePairs } from './family/look-alike'
import type { Sibling } from './family-check'

/** The severity of a check under rules: the one they set, else its own. */
const severityOf = ({ id, severity }: Pick<Check, 'id' | 'severity'>, { checks }: Rules): Severity =>
  checks?.[id] ?? severity

/** The snags of a drawing, without accepted ones and without checks that the rules switch off. */
export function snagsIn(checked: Checked, accepted: readonly Accepted[] = []): Snag[] {
  const grid = checked.rules.grid.size
  return CHECKS.flatMap((check): Snag[] => {
    if (checked.isDerived && !check.isSeen) return []
    const severity = severityOf(
      checked.isDerived ? { ...check, severity: check.inDerived ?? check.severity } : check,
      checked.rules,
    )
    if (severity === 'off') return []
    return check
      .find(checked)
      .map((found) => ({ ...found, check: check.id, severity }))
      .filter((snag) => !isAccepted(snag, accepted, grid))
  })
}

/** The snags of an icon's drawing on one of the set's grids, without accepted ones. */
export function snagsOn(icon: Pick<Icon, 'masters'>, rules: Rules, base: number): Snag[] {
  const { checked, accepted } = checkedOn(icon, rules, base)
  return snagsIn(checked, accepted)
}

/** An icon's drawing on one of the set's grids as checks look at it, and what is accepted in it. */
export function checkedOn(
  icon: Pick<Icon, 'masters'>,
  rules: Rules,
  base: number,
): { readonly checked: Checked; readonly accepted: readonly Accepted[] } {
  const { master, standing } = masterOn(icon, rules, base),
    book = bookAt(rules, base),
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

/** The snags of icons beside their siblings, by icon id, without accepted ones. */
export function familySnags(
  family: readonly (Sibling & { readonly accepted: readonly Accepted[] })[],
  rules: Rules,
  alike: readonly Alike<string>[] = alikePairs(family),
): ReadonlyMap<string, readonly Snag[]> {
  const snags = new Map<string, Snag[]>()
  const accepted = new Map(family.map((one) => [one.id, one.accepted]))
  for (const check of FAMILY_CHECKS) {
    const severity = severityOf(check, rules)
    if (severity === 'off') continue
    for (const [id, found] of check.find(family, rules, alike)) {
      const snag: Snag = { ...found, check: check.id, severity }
      if (!isAccepted(snag, accepted.get(id)!, rules.grid.size)) snags.set(id, [...(snags.get(id) ?? []), snag])
    }
  }
  return snags
}
