/** A colour of six or eight hexadecimal digits as OKLab: lightness, and how far from grey two ways (Ottosson 2020). */
export function oklab(color: string): readonly [L: number, a: number, b: number] {
  const [r, g, b] = [1, 3, 5].map((i) => linear(Number.parseInt(color.slice(i, i + 2), 16) / 255)) as [
    number,
    number,
    number,
  ]
  const l = Math.cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b),
    m = Math.cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b),
    s = Math.cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b)
  return [
    0.2104542553 * l + 0.793617785 * m - 0.0040720468 * s,
    1.9779984951 * l - 2.428592205 * m + 0.4505937099 * s,
    0.0259040371 * l + 0.7827717662 * m - 0.808675766 * s,
  ]
}

const linear = (channel: number): number => (channel <= 0.04045 ? channel / 12.92 : ((channel + 0.055) / 1.055) ** 2.4)

/** How far apart two colours look: about 0.02 is just seen. */
export function oklabDistance(one: string, other: string): number {
  const [a, b] = [oklab(one), oklab(other)]
  return Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2])
}
