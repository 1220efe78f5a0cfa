import { bringClock, forgetTimeouts, workDeadline } from '../core/geometry/deadline'

/**
 * What one drawing may take in a worker: six seconds and the checks that quiet cores come to in them, whichever lasts
 * longer, and a minute in any case. Measured over the demo sets and random fills: 1 to 50 checks a millisecond.
 */
const DRAWING = { ms: 6000, checks: 300_000, most: 60_000 }

/** How long that something took too long is remembered, in milliseconds. */
const REMEMBERED = 30_000

/** Ends whatever takes too long in this worker, with a sentence. */
export function boundDrawing(): void {
  bringClock(() => workDeadline(() => performance.now(), DRAWING))
  setInterval(forgetTimeouts, REMEMBERED)
}
