import { keepTime } from '../geometry/deadline'
import { stretch } from '../geometry/stretch'
import type { Contour } from '../geometry/path'
import { lengthTo, segmentLength } from '../geometry/lengths'
import type { Segment } from '../geometry/segment'
import { SAME_POINT } from '../geometry/tolerance'

/**
 * Splits a contour into its dashes, as open contours (SVG 2 §13.5.6): drawn and skipped lengths alternate, from an
 * offset into the pattern. A dash across the start of a closed contour is whole. A pattern of odd length is repeated; a
 * pattern without length or with negative lengths gives the contour itself.
 */
export function dashes(contour: Contour, pattern: readonly number[], offset: number): Contour[] {
  const lengths = pattern.length % 2 ? [...pattern, ...pattern] : pattern
  const whole = lengths.reduce((sum, length) => sum + length, 0)
  if (!(whole > 0) || lengths.some((length) => length < 0)) return [contour]
  let index = 0,
    left = ((offset % whole) + whole) % whole
  while (left >= lengths[index]!) {
    left -= lengths[index]!
    index = (index + 1) % lengths.length
  }
  left = lengths[index]! - left
  const startsOn = index % 2 === 0
  const runs: Segment[][] = []
  let run: Segment[] = []
  const turn = () => {
    if (index % 2 === 0 && run.length > 0) runs.push(run)
    run = []
    index = (index + 1) % lengths.length
    left = lengths[index]!
  }
  for (const segment of contour.segments) {
    const long = segmentLength(segment)
    let done = 0,
      t = 0
    while (long - done > SAME_POINT) {
      keepTime()
      const step = Math.min(left, long - done)
      const end = done + step >= long - SAME_POINT ? 1 : lengthTo(segment, done + step)
      if (index % 2 === 0 && end > t) run.push(t === 0 && end === 1 ? segment : stretch(segment, t, end))
      done += step
      left -= step
      t = end
      if (left <= SAME_POINT) turn()
    }
  }
  if (run.length === 0) return runs.map((segments) => ({ segments, closed: false }))
  if (runs.length === 0 && contour.closed && startsOn) return [contour]
  // The last dash of a closed contour goes on into the first.
  if (contour.closed && startsOn && runs.length > 0) runs[0] = [...run, ...runs[0]!]
  else runs.push(run)
  return runs.map((segments) => ({ segments, closed: false }))
}
