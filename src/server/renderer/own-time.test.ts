import { describe, expect, it } from 'vitest'
import { ownDeadline, ownTime } from './own-time'

describe('a deadline in the time of a thread itself', () => {
  // Only a system that tells the processor time of a thread has it; elsewhere the clock has to do.
  it.skipIf(ownTime() === null)('counts what it computes, and not what it waits', () => {
    const before = ownTime()!
    const isOver = ownDeadline(60)
    Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 200)
    expect(isOver()).toBe(false)
    while (!isOver());
    expect(ownTime()! - before).toBeGreaterThanOrEqual(60)
  })
})
