import { Refusal } from '../../findings/refusal'
import type { Box } from '../../geometry/box'
import type { Path } from '../../geometry/path'
import { segmentBounds } from '../../geometry/segment'

/** A file that costs more to read than any file may. */
export class TooMuch extends Refusal {
  constructor(message: string) {
    super('too-much', message)
  }
}

/**
 * Upper bounds for one file. A visit is an element that is drawn once, through `use` and markers as often as they lead to
 * it; a step is one test of a selector on an element; a pair is two segments of one fill whose boxes overlap, so that they may meet.
 */
export const BOUNDS = { shapes: 5_000, visits: 50_000, steps: 3_000_000, nested: 64, segments: 60_000, pairs: 150_000 }

const inDigits = (n: number): string => n.toLocaleString('en')

/** Counts what reading one file costs. Throws `TooMuch`, which names the bound, where it is passed. */
export class Budget {
  private visits = 0
  private shapes = 0
  private steps = 0
  private segments = 0
  private pairs = 0

  visit(): void {
    if (++this.visits > BOUNDS.visits)
      throw new TooMuch(
        `The file draws its elements more than ${inDigits(BOUNDS.visits)} times, through use and markers.`,
      )
  }

  step(): void {
    if (++this.steps > BOUNDS.steps)
      throw new TooMuch(`The style sheets of the file take more than ${inDigits(BOUNDS.steps)} steps to be applied.`)
  }

  shape(): void {
    if (++this.shapes > BOUNDS.shapes) throw new TooMuch(`The file draws more than ${inDigits(BOUNDS.shapes)} shapes.`)
  }

  /** Counts the segments of a path, and of a filled one those that may meet. */
  path(path: Path, isFilled: boolean): void {
    for (const { segments } of path) this.segments += segments.length
    if (this.segments > BOUNDS.segments)
      throw new TooMuch(`The file draws more than ${inDigits(BOUNDS.segments)} segments.`)
    if (isFilled) this.meetings(path.flatMap(({ segments }) => segments.map((segment) => segmentBounds(segment))))
  }

  /** Counts the pairs of overlapping boxes (sweep along x). */
  private meetings(boxes: Box[]): void {
    let open: Box[] = []
    for (const box of boxes.sort((a, b) => a.x - b.x)) {
      open = open.filter((one) => one.x + one.w >= box.x)
      for (const one of open) if (one.y <= box.y + box.h && one.y + one.h >= box.y) this.pairs++
      if (this.pairs > BOUNDS.pairs)
        throw new TooMuch(`More than ${inDigits(BOUNDS.pairs)} pairs of segments of the file may meet.`)
      open.push(box)
    }
  }
}
