import type { Rules } from '../rules/rules'
import { CHECKS, FAMILY_CHECKS } from './checks'

const KNOWN = new Set([...CHECKS, ...FAMILY_CHECKS].map(({ id }) => id))

/** What rules say of checks that there are not, as a sentence; null when all is well. */
export function unknownCheck({ checks }: Pick<Rules, 'checks'>): string | null {
  const unknown = Object.keys(checks ?? {}).find((id) => !KNOWN.has(id))
  return unknown === undefined ? null : `There is no check “${unknown}”, which the rules name.`
}
