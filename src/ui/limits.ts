import type { Limits } from '@/core/drawing/kinds/field'

export type { Limits }

export const PERCENT: Limits = { least: 0, most: 100 }
export const MORE_THAN_NONE: Limits = { least: 0, above: true }

/** Why a number is not taken, as a sentence about a field; null when it is. */
export function beyond(value: number, { least, most, above, whole }: Limits, field: string): string | null {
  const name = `“${field}”`
  if (whole && !Number.isInteger(value)) return `${name} is a whole number.`
  const low = least !== undefined && (above ? value <= least : value < least),
    high = most !== undefined && value > most
  if (!low && !high) return null
  if (most === undefined) return `${name} is ${above ? `more than ${said(least!)}` : `at least ${said(least!)}`}.`
  if (least === undefined) return `${name} is at most ${said(most)}.`
  return above
    ? `${name} is more than ${said(least)} and at most ${said(most)}.`
    : `${name} goes from ${said(least)} to ${said(most)}.`
}

const said = (value: number): string => value.toLocaleString('en', { maximumFractionDigits: 6 }).replace('-', '−')
