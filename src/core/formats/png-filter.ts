/** The filter types of lines (PNG, third edition, §9.2). */
const NONE = 0,
  SUB = 1,
  UP = 2,
  PAETH = 4

/**
 * Lines of bytes, `step` bytes to a pixel, each by the filter that leaves the least of it (the heuristic of PNG,
 * §12.7), after the filter's number.
 */
export function filteredLines(bytes: Uint8Array | Uint8ClampedArray, height: number, step: number): Uint8Array {
  const row = bytes.length / height,
    out = new Uint8Array(bytes.length + height),
    // The line and the one above it, each after a pixel of nothing.
    here = new Uint8Array(step + row),
    above = new Uint8Array(step + row),
    tried = new Uint8Array(row)
  for (let y = 0; y < height; y++) {
    above.set(here)
    here.set(bytes.subarray(y * row, (y + 1) * row), step)
    const to = y * (row + 1)
    let least = Infinity
    for (const filter of [NONE, SUB, UP, PAETH]) {
      const left = filterLine(filter, here, above, step, tried)
      if (left >= least) continue
      least = left
      out[to] = filter
      out.set(tried, to + 1)
    }
  }
  return out
}

/** Filters a line; returns how much is left of it. */
function filterLine(filter: number, here: Uint8Array, above: Uint8Array, step: number, out: Uint8Array): number {
  let sum = 0
  for (let i = 0; i < out.length; i++) {
    const left = here[i]!,
      up = above[i + step]!
    const foretold = filter === SUB ? left : filter === UP ? up : filter === PAETH ? nearest(left, up, above[i]!) : 0
    const value = (here[i + step]! - foretold) & 255
    out[i] = value
    sum += value < 128 ? value : 256 - value
  }
  return sum
}

/** The Paeth predictor: of three bytes the nearest to their linear prediction. */
function nearest(left: number, up: number, before: number): number {
  const p = left + up - before
  const a = Math.abs(p - left),
    b = Math.abs(p - up),
    c = Math.abs(p - before)
  return a <= b && a <= c ? left : b <= c ? up : before
}
