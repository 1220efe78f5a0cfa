import { bringClock, forgetTimeouts, workDeadline } from '@/core/geometry/deadline'

/**
 * How long a page may compute drawings between two moments in which it answers, and how long each single drawing may
 * take whatever came before it, in milliseconds.
 */
const TURN = 1000,
  EACH = 250

/** How many checks quiet cores come to in one turn: with fewer the machine is busy, and nothing is refused for that. */
const CHECKS = 20_000
/** How long a drawing may take on however busy a machine, in milliseconds. */
const MOST = 8000

/** How long that something took too long is remembered, in milliseconds. */
const REMEMBERED = 15_000

/**
 * Brings the page's clock: what is computed in one turn of the page has one time together, so that the page answers
 * again however much of it is too much. What the time was not enough for is said to be too slow and left out, and tried
 * again when it is asked for after a while.
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
