import { bringClock } from '@/core/geometry/deadline'

/**
 * How long a page may compute drawings between two moments in which it answers, and how long each single drawing may
 * take whatever came before it, in milliseconds.
 */
const TURN = 1000,
  EACH = 250

/**
 * Brings the page's clock: what is computed in one turn of the page has one time together, so that the page answers
 * again however much of it is too much. What the time was not enough for is said to be too slow and left out.
 */
export function bringPageClock(): void {
  if (typeof window === 'undefined') return
  let end = 0
  bringClock(() => {
    if (end === 0) {
      end = performance.now() + TURN
      setTimeout(() => (end = 0), 0)
    }
    const until = Math.max(end, performance.now() + EACH)
    return () => performance.now() > until
  })
}
