import type { Balance } from '../proof/balance'
import type { Alike } from '../proof/look-alikes'
import type { Rules, Severity } from '../rules/rules'
import type { Icon } from '../set/set'
import type { Found } from './snag'

/** An icon for family checks: its labels, and its visual balance (null if it paints nothing). */
export type Sibling = Pick<Icon, 'id' | 'name' | 'tags' | 'rtl'> & { readonly balance: Balance | null }

/** A check that compares the icons of a set with each other. It answers by icon id. */
export type FamilyCheck = {
  readonly id: string
  readonly word: string
  readonly severity: Severity
  readonly find: (
    family: readonly Sibling[],
    rules: Rules,
    alike: readonly Alike<string>[],
  ) => ReadonlyMap<string, Found>
}

export const about = (id: string, sentence: string): [string, Found] => [id, { sentence, objects: [] }]
