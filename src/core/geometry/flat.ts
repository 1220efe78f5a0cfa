import { keepTime } from './deadline'
import { distance } from './point'
import type { Path } from './path'
import { line, pointAt, type Segment } from './segment'

/** The largest number of lines one curve is flattened to. */
const MOST = 4096

/** A path with its curves replaced by lines that stay within a distance of them. */
export const flattened = (path: Path, within: number): Path =>
  path.map(({ segments, closed }) => ({ closed, segments: segments.flatMap((segment) => lines(segment, within)) }))

function lines(segment: Segment, within: number): Segment[] {
  if (segment.kind === 'line') return [segment]
  for (let count = 4; ; count *= 2) {
    keepTime()
    const at = (i: number) => (i === 0 ? segment.from : i === count ? segment.to : pointAt(segment, i / count))
    const pieces = Array.from({ length: count }, (_, i) => line(at(i), at(i + 1)))
    if (
      count >= MOST ||
      pieces.every(
        ({ from, to }, i) =>
          distance(pointAt(segment, (i + 0.5) / count), { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 }) <= within,
      )
    )
      return pieces
  }
}
