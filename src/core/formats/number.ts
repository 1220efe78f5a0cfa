const POWERS = Array.from({ length: 16 }, (_, i) => 10 ** i)

/** The value nearest to a number with so many digits after the point; never -0. */
export const rounded = (value: number, digits: number): number => Math.round(value * POWERS[digits]!) / POWERS[digits]! + 0

/** A number in its shortest decimal form at a precision (digits after the point): no leading zero, no trailing ones, no -0. */
export function shortNumber(value: number, digits: number): string {
  const text = String(rounded(value, digits))
  if (text.startsWith('0.')) return text.slice(1)
  return text.startsWith('-0.') ? `-${text.slice(2)}` : text
}
