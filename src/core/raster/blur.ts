import type { Layer } from './layer'

/** The number of box filters: four come so near to a Gaussian that no 8-bit level differs. */
const TIMES = 4

/** A box with ends of less weight: `inner` places to either side of the middle, and one more of weight `end`. */
type Box = { readonly inner: number; readonly end: number }

/**
 * The box that has, run over `TIMES` times, the variance of a Gaussian (Gwosdek, Grewenig, Bruhn and Weickert,
 * “Theoretical foundations of Gaussian convolution by extended box filtering”, 2011).
 */
function boxOf(deviation: number): Box {
  const variance = deviation ** 2 / TIMES,
    inner = Math.floor((Math.sqrt(12 * variance + 1) - 1) / 2)
  const end = ((2 * inner + 1) * (inner * (inner + 1) - 3 * variance)) / (6 * (variance - (inner + 1) ** 2))
  return { inner, end }
}

/** How many pixels a blur of a deviation, in pixels, reaches. */
export const reachOfBlur = (deviation: number): number => (deviation > 0 ? TIMES * (boxOf(deviation).inner + 1) : 0)

/** The alpha of a layer blurred by a Gaussian of a deviation in pixels (Filter Effects 1 §9.14): along rows, then columns. */
export function blurredAlpha({ width, height, data }: Layer, deviation: number): Float32Array {
  const alpha = new Float32Array(width * height)
  for (let i = 0; i < alpha.length; i++) alpha[i] = data[4 * i + 3]!
  if (!(deviation > 0)) return alpha
  const blur = lineBlur(boxOf(deviation), Math.max(width, height))
  for (let y = 0; y < height; y++) blur(alpha, y * width, 1, width)
  for (let x = 0; x < width; x++) blur(alpha, x, width, height)
  return alpha
}

/** A function that blurs a line of at most `most` values in place; `step` is the distance from one value to the next. */
function lineBlur({ inner, end }: Box, most: number) {
  // Nothing lies before the first place and after the last, as far as the box reaches.
  const around = inner + 1,
    weight = 2 * inner + 1 + 2 * end
  let from = new Float64Array(most + 2 * around),
    to = new Float64Array(most + 2 * around)
  return (list: Float32Array, begin: number, step: number, count: number): void => {
    let isClear = true
    for (let i = 0; i < count; i++) {
      const value = list[begin + i * step]!
      from[around + i] = value
      isClear &&= value === 0
    }
    if (isClear) return
    from.fill(0, around + count)
    for (let time = 0; time < TIMES; time++) {
      let sum = 0
      for (let i = around; i < around + inner; i++) sum += from[i]!
      for (let i = around; i < around + count; i++) {
        sum += from[i + inner]!
        to[i] = (sum + end * (from[i - around]! + from[i + around]!)) / weight
        sum -= from[i - inner]!
      }
      to.fill(0, around + count)
      ;[from, to] = [to, from]
    }
    for (let i = 0; i < count; i++) list[begin + i * step] = from[around + i]!
  }
}
