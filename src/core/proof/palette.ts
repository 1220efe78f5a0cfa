import { hex, type Picture } from './picture'

/** How many pixels of a picture are looked at: enough for its colours, however large it is. */
const LOOKS = 20_000

/**
 * The main colours of a picture, the most frequent first: its pixels by sixteenths of each channel, the fullest box
 * first, a box that is nearer to one already taken than `apart` (0 to 441) counted with it. Transparent pixels do not
 * count.
 */
export function mainColours(
  { width, height, data }: Picture,
  most: number,
  apart = 48,
): { color: string; share: number }[] {
  const boxes = new Map<number, { r: number; g: number; b: number; count: number }>()
  const step = Math.max(1, Math.floor((width * height) / LOOKS))
  let total = 0
  for (let i = 0; i < width * height; i += step) {
    const r = data[4 * i]!,
      g = data[4 * i + 1]!,
      b = data[4 * i + 2]!
    if (data[4 * i + 3]! < 128) continue
    const key = ((r >> 4) << 8) | ((g >> 4) << 4) | (b >> 4)
    const box = boxes.get(key) ?? { r: 0, g: 0, b: 0, count: 0 }
    boxes.set(key, { r: box.r + r, g: box.g + g, b: box.b + b, count: box.count + 1 })
    total++
  }
  const taken: { r: number; g: number; b: number; count: number }[] = []
  const means = [...boxes.values()]
    .map(({ r, g, b, count }) => ({ r: r / count, g: g / count, b: b / count, count }))
    .sort((p, q) => q.count - p.count)
  for (const box of means) {
    const near = taken.find((one) => Math.hypot(one.r - box.r, one.g - box.g, one.b - box.b) < apart)
    if (near) near.count += box.count
    else if (taken.length < most) taken.push({ ...box })
  }
  return taken
    .sort((p, q) => q.count - p.count)
    .map(({ r, g, b, count }) => ({ color: hex(r, g, b), share: count / total }))
}
