import { snagsWithProvedMends } from '../core/checks/proved'
import { familySnags } from '../core/checks/family-snags'
import { checkedOn } from '../core/checks/snags'
import { balanceOfIcon } from '../core/proof/balance'
import { crispnessBySize } from '../core/proof/crispness-by-size'
import { softSentence, softSizes } from '../core/proof/soft-sizes'
import { basesOf } from '../core/rules/rules-for-grid'
import { acceptedIn, masterFor } from '../core/set/set'
import { unusedValues } from '../core/set/unused'
import { type Answer, type Options, UsageError } from './command'
import { readSet } from './read-set'

/** How much a snag weighs, the least first. */
const WEIGHTS = ['note', 'warning', 'error'] as const

/** Lists the snags of a set's icons. The status is 1 if a snag is an error, or as severe as `--fail-on` says. */
export async function checkCommand(files: readonly string[], options: Options = {}): Promise<Answer> {
  const failOn = options['fail-on'] ?? 'error'
  const from = WEIGHTS.indexOf(failOn as (typeof WEIGHTS)[number])
  if (from < 0) throw new UsageError(`A check fails on note, warning or error, not on “${failOn}”.`)
  const set = await readSet(files)
  const { name, rules, icons } = set
  const family = icons.map((icon) => {
    const master = masterFor(icon)
    return {
      ...icon,
      balance: balanceOfIcon(icon, rules),
      accepted: acceptedIn(master),
    }
  })
  const beside = familySnags(family, rules)
  const snags = icons.flatMap((icon) => {
    const found = basesOf(rules).flatMap((base) => {
      const { checked, accepted } = checkedOn(icon, rules, base)
      return snagsWithProvedMends(checked, accepted).map((snag) => ({ ...snag, base }))
    })
    const all = [...found, ...(beside.get(icon.id) ?? []).map((snag) => ({ ...snag, base: rules.grid.size }))]
    return all.map(({ check, severity, sentence, objects, spot, mend, base }) => ({
      icon: icon.name,
      master: base,
      check,
      severity,
      sentence,
      objects,
      ...(spot && { spot }),
      ...(mend && { mend }),
    }))
  })
  const unused = unusedValues(set),
    soft = softSizes(
      icons.map((icon) => crispnessBySize(icon, rules)),
      rules,
    )
  const errors = snags.filter(({ severity }) => severity === 'error').length
  const count = snags.length === 0 ? 'No snags' : snags.length === 1 ? 'One snag' : `${snags.length} snags`
  return {
    lines: [
      ...snags.map(
        ({ icon, master, severity, sentence }) =>
          `${severity.padEnd(7)} ${icon}${master === rules.grid.size ? '' : ` (${master} master)`}: ${sentence}`,
      ),
      ...unused.map(({ kind, name: value }) => `note    rules: the ${kind} “${value}” is in no icon.`),
      ...(soft.length > 0 ? [`note    rules: ${softSentence(soft)}`] : []),
      `${count} in the ${icons.length} icons of “${name}”${errors > 0 ? `, ${errors} of them ${errors === 1 ? 'an error' : 'errors'}` : ''}.`,
    ],
    value: { set: name, icons: icons.length, errors, snags, unused, soft },
    ...(snags.some(({ severity }) => WEIGHTS.indexOf(severity) >= from) && { status: 1 as const }),
  }
}
