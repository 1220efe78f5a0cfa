import type { Rules } from '../rules/rules'
import { CHECKS } from './checks'
import { FAMILY_CHECKS } from './family-checks'

const KNOWN = new Set([...CHECKS, ...FAMILY_CHECKS].map(({ id }) => id))

/** A sentence about the first check that rules name and that does not exist; null where all exist. */
export function unknownCheck({ checks }: Pick<Rules, 'checks'>): string | null {
  const unknown = Object.keys(checks ?? {}).find((id) => !KNOWN.has(id))
  return unknown === undefined ? null : `There is no check “${unknown}”, which the rules name.`
}
