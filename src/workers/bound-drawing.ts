import { bringClock } from '../core/geometry/deadline'

/** How long one drawing may take to compute, in milliseconds. */
const DRAWING = 6000

/** Ends whatever takes too long in this worker, with a sentence. */
export function boundDrawing(): void {
  bringClock(() => {
    const end = performance.now() + DRAWING
    return () => performance.now() > end
  })
}
