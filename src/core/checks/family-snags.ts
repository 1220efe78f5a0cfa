import type { Accepted } from '../drawing/model/accepted'
import type { Alike } from '../proof/look-alikes'
import type { Rules } from '../rules/rules'
import { isAccepted } from './accepting'
import type { Snag } from './snag'
import { alikePairs } from './family/look-alike'
import type { Sibling } from './family-check'
import { FAMILY_CHECKS } from './family-checks'
import { severityOf } from './severity'

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
      const snag: Snag = { ...found, check: check.id, word: check.word, severity }
      if (!isAccepted(snag, accepted.get(id)!, rules.grid.size)) snags.set(id, [...(snags.get(id) ?? []), snag])
    }
  }
  return snags
}
