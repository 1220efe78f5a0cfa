import { bringClock, forgetTimeouts, workDeadline } from '@/core/geometry/deadline'

/**
 * How long a page may compute drawings between two moments in which it answers, and how long each single drawing may
 * take whatever came before it, in milliseconds.
 */
const TURN = 1000,
  EACH = 250

/** Calls of the deadline that an idle machine makes in one turn. With fewer calls the machine is busy, and nothing is refused. */
const CHECKS = 20_000
/** How long a drawing may take on however busy a machine, in milliseconds. */
const MOST = 8000

/** How long a timeout is remembered, in milliseconds. */
const REMEMBERED = 15_000

/**
 * Installs the page's clock. All drawings that are computed in one turn of the page share one time limit, so that the page
 * stays responsive. A drawing that exceeds it is reported as too slow and left out; it is tried again after a while.
 */
export function bringPageClock(): void {
  if (typeof window === 'undefined') return
  let end = 0
  bringClock(() => {
    const now = performance.now()
    if (end === 0) {
      end = now + TURN
      setTimeout(() => (end = 0), 0)
    }
    return workDeadline(() => performance.now(), { ms: Math.max(end - now, EACH), checks: CHECKS, most: MOST })
  })
  setInterval(forgetTimeouts, REMEMBERED)
}
