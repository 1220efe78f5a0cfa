/** The relative luminance of a colour written `#rrggbb` (WCAG 2.2, “relative luminance”), 0 to 1. */
function luminance(color: string): number {
  const channel = (i: number) => {
    const value = Number.parseInt(color.slice(i, i + 2), 16) / 255
    return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4
  }
  return 0.2126 * channel(1) + 0.7152 * channel(3) + 0.0722 * channel(5)
}

/** The contrast ratio of two colours (WCAG 2.2), 1 to 21. */
export function contrast(a: string, b: string): number {
  const [dark, light] = [luminance(a), luminance(b)].sort((x, y) => x - y) as [number, number]
  return (light + 0.05) / (dark + 0.05)
}

/** What a graphic needs beside its ground to be told from it (WCAG 2.2 §1.4.11). */
export const ENOUGH = 3
