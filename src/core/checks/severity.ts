import type { Rules, Severity } from '../rules/rules'
import type { Check } from './check'

/** The severity of a check under rules: the one they set, else its own. */
export const severityOf = ({ id, severity }: Pick<Check, 'id' | 'severity'>, { checks }: Rules): Severity =>
  checks?.[id] ?? severity
