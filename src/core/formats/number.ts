const POWERS = Array.from({ length: 16 }, (_, i) => 10 ** i)

/** The value nearest to a number with so many digits after the point; never -0. */
export const rounded = (value: number, digits: number): number =>
  Math.round(value * POWERS[digits]!) / POWERS[digits]! + 0

/**
 * A number in its shortest decimal form at a precision (digits after the point): no leading zero, no trailing ones, no
 * -0.
 */
export function shortNumber(value: number, digits: number): string {
  const whole = Math.round(value * POWERS[digits]!)
  // Small integers are written many times as fast as fractions.
  if (whole < LARGE && whole > -LARGE) return fraction(whole, digits)
  const text = String(rounded(value, digits))
  if (text.startsWith('0.')) return text.slice(1)
  return text.startsWith('-0.') ? `-${text.slice(2)}` : text
}

const LARGE = 2 ** 30

/** A small integer over a power of ten, in its shortest form. */
function fraction(over: number, digits: number): string {
  const positive = over < 0 ? -over : over
  const whole = Math.floor(positive / POWERS[digits]!),
    sign = over < 0 ? '-' : ''
  let rest = positive - whole * POWERS[digits]!,
    places = digits
  if (rest === 0) return sign + whole
  for (; rest % 10 === 0; places--) rest /= 10
  const text = String(rest + POWERS[places]!).slice(1)
  return whole === 0 ? `${sign}.${text}` : `${sign + whole}.${text}`
}
