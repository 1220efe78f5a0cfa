/**
 * A text as an identifier of CSS (CSSOM §2.1, “serialize an identifier”). In a class no character may part words, so
 * what does becomes a hyphen.
 */
export function cssClass(text: string): string {
  const plain = text.replace(/\s+/g, '-')
  return [...plain]
    .map((sign, i) => {
      const code = sign.codePointAt(0)!
      const isDigit = code >= 0x30 && code <= 0x39
      if (code < 0x20 || code === 0x7f || (isDigit && (i === 0 || (i === 1 && plain[0] === '-'))))
        return `\\${code.toString(16)} `
      if (code >= 0x80 || isDigit || /[A-Za-z_]/.test(sign) || (sign === '-' && plain.length > 1)) return sign
      return `\\${sign}`
    })
    .join('')
}

/** The class itself, as an attribute of HTML has it. */
export const className = (text: string): string => text.replace(/\s+/g, '-')

/** A text between double quotes of CSS. */
export const cssString = (text: string): string => `"${text.replace(/["\\]/g, '\\$&').replace(/\n/g, '\\a ')}"`
