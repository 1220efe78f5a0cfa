import type { Coverage, Ink } from './ink'

/** The share of an ink that may differ from its mirror image for it to be meant as one. */
const MEANT = 0.012
/** The share of an ink by which the pixels of a mirror image differ where an eye sees it lopsided. */
const LOPSIDED = 0.1

/** Whether an ink is its own mirror image, left and right. */
export function isMirrored({ samples, w, h }: Ink): boolean {
  let [left, right, sum, apart] = [w, -1, 0, 0]
  for (let i = 0; i < w * h; i++)
    if (samples[i]) {
      left = Math.min(left, i % w)
      right = Math.max(right, i % w)
      sum++
    }
  for (let y = 0; y < h; y++)
    for (let x = left; x <= right; x++) if (samples[y * w + x] !== samples[y * w + left + right - x]) apart++
  return sum > 0 && apart < MEANT * sum
}

/** Whether pixels are no mirror image, left and right, about any edge or middle of a pixel near their centre of gravity. */
export function isLopsided({ shares, w, h }: Coverage): boolean {
  let [sum, moment] = [0, 0]
  shares.forEach((share, i) => {
    sum += share
    moment += share * ((i % w) + 0.5)
  })
  const about = Math.round((2 * moment) / sum)
  const apart = (axis: number): number => {
    let difference = 0
    for (let y = 0; y < h; y++)
      for (let x = 0; x < w; x++) {
        const image = axis - 1 - x
        difference += Math.abs(shares[y * w + x]! - (image >= 0 && image < w ? shares[y * w + image]! : 0))
      }
    return difference / sum
  }
  return Math.min(...[-2, -1, 0, 1, 2].map((by) => apart(about + by))) > LOPSIDED
}
