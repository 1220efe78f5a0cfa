import { describe, expect, it } from 'vitest'
import { ownDeadline, ownTime } from './own-time'

describe('a deadline in the time of a thread itself', () => {
  it('counts what it computes, and not what it waits', () => {
    const before = ownTime()
    // Where the system does not say, the clock has to do.
    if (before === null) return
    const isOver = ownDeadline(60)
    Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 200)
    expect(isOver()).toBe(false)
    while (!isOver());
    expect(ownTime()! - before).toBeGreaterThanOrEqual(60)
  })
})
