/** A number in its shortest decimal form at a precision (digits after the point): no leading zero, no trailing ones, no -0. */
export function shortNumber(value: number, digits: number): string {
  const text = value.toFixed(digits)
  const trimmed = digits > 0 ? text.replace(/\.?0+$/, '') : text
  const short = trimmed.replace(/^(-?)0\./, '$1.')
  return short === '-0' || short === '' || short === '-' ? '0' : short
}

/** The value that `shortNumber` writes. */
export const rounded = (value: number, digits: number): number => Number(value.toFixed(digits)) + 0
