import { bringClock, forgetTimeouts, workDeadline } from '../core/geometry/deadline'

/**
 * Limit for one drawing in a worker: six seconds, longer on a busy machine until it has made the calls that an idle machine
 * makes in that time, at most a minute. Measured with the demo sets and random fills: 1 to 50 calls per millisecond.
 */
const DRAWING = { ms: 6000, checks: 300_000, most: 60_000 }

/** How long a timeout is remembered, in milliseconds. */
const REMEMBERED = 30_000

/** Ends whatever takes too long in this worker, with a sentence. */
export function boundDrawing(): void {
  bringClock(() => workDeadline(() => performance.now(), DRAWING))
  setInterval(forgetTimeouts, REMEMBERED)
}
