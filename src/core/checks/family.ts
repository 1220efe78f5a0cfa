import type { Balance } from '../proof/balance'
import { type Alike, LookAlikes } from '../proof/look-alikes'
import type { Rules, Severity } from '../rules/rules'
import type { Found } from './check'
import { nameProblem } from './name-pattern'

/** An icon beside its siblings: its name, and what it comes to by eye (null where it paints nothing). */
export type Sibling = { readonly id: string; readonly name: string; readonly balance: Balance | null }

/** Something that is looked for in a family of icons; found by icon. */
type FamilyCheck = {
  readonly id: string
  readonly word: string
  readonly severity: Severity
  readonly find: (
    family: readonly Sibling[],
    rules: Rules,
    alike: readonly Alike<string>[],
  ) => ReadonlyMap<string, Found>
}

/** How far an icon's weight may be from the middle of the family, as a share of that, before it stands out. */
const OUT_OF_FAMILY = 0.65

/** How much alike two icons may be at 16 pixels before they are mistaken for each other. */
export const ALIKE = 0.8

const about = (id: string, sentence: string): [string, Found] => [id, { sentence, objects: [] }]

const outOfFamily = (id: string, word: string, heavy: boolean): FamilyCheck => ({
  id,
  word,
  severity: 'note',
  find(family) {
    const middle = median(family.flatMap(({ balance }) => (balance ? [balance.weight] : [])))
    return new Map(
      family.flatMap((one): [string, Found][] => {
        const share = one.balance && one.balance.weight / middle - 1
        if (!share || (heavy ? share < OUT_OF_FAMILY : share > -OUT_OF_FAMILY)) return []
        const percent = Math.round(Math.abs(share) * 100)
        return [about(one.id, `It has ${percent} % ${heavy ? 'more' : 'less'} ink than the middle of the family.`)]
      }),
    )
  },
})

export const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b),
    half = Math.floor(sorted.length / 2)
  return sorted.length === 0 ? 0 : sorted.length % 2 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2
}

const alikes = new LookAlikes<Sibling>(ALIKE)

/** The pairs of a family that are mistaken for each other, by their ids, the most alike first. */
export const alikePairs = (family: readonly Sibling[]): Alike<string>[] =>
  alikes.pairs(family).map(({ a, b, likeness }) => ({ a: a.id, b: b.id, likeness }))

const lookAlike: FamilyCheck = {
  id: 'look-alike',
  word: 'look alike at 16 px',
  severity: 'warning',
  find(family, _, alike) {
    const found = new Map<string, Found>(),
      names = new Map(family.map(({ id, name }) => [id, name]))
    const say = (one: string, other: string, percent: number) => {
      // The most alike come first.
      if (!found.has(one)) found.set(...about(one, `At 16 px it is ${percent} % like “${names.get(other)}”.`))
    }
    for (const { a, b, likeness } of alike) {
      // What was compared may be older than the family.
      if (!names.has(a) || !names.has(b)) continue
      const percent = Math.round(100 * likeness)
      say(a, b, percent)
      say(b, a, percent)
    }
    return found
  },
}

const namePattern: FamilyCheck = {
  id: 'name-pattern',
  word: 'names that break the pattern',
  severity: 'warning',
  find: (family, rules) =>
    new Map(
      family.flatMap(({ id, name }): [string, Found][] => {
        const problem = nameProblem(name, rules)
        return problem ? [about(id, problem)] : []
      }),
    ),
}

/** Everything that is looked for in a family, in the order in which it is shown. */
export const FAMILY_CHECKS: readonly FamilyCheck[] = [
  outOfFamily('too-heavy', 'too heavy for the family', true),
  outOfFamily('too-light', 'too light for the family', false),
  lookAlike,
  namePattern,
]
