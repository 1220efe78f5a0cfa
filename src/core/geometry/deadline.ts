/** Returns true once the time of a computation is over. The core has no clock; its caller provides one. */
type Deadline = () => boolean

/** Thrown when a computation ran out of its time. */
export class OutOfTime extends Error {
  constructor() {
    super('This takes too long: the drawing has too many segments that meet.')
  }
}

/** The deadline in force: that of the current computation and of all computations around it. */
let current: Deadline | null = null

/**
 * Runs a computation with a deadline, which `keepTime` checks everywhere below it. A deadline that is already in force
 * stays in force.
 */
export function within<T>(deadline: Deadline, compute: () => T): T {
  const outer = current
  current = outer ? () => outer() || deadline() : deadline
  try {
    return compute()
  } finally {
    current = outer
  }
}

/**
 * Throws `OutOfTime` when the deadline in force has passed. Call it in every loop whose length depends on the input.
 */
export function keepTime(): void {
  if (current?.()) throw new OutOfTime()
}

/** Starts a deadline for a computation that was given none; null until a clock is provided. */
let begin: (() => Deadline) | null = null

/**
 * Provides the clock: from now on `timed` starts a deadline for every computation that has none. Pages, workers and
 * servers call this once.
 */
export function bringClock(deadlines: (() => Deadline) | null): void {
  begin = deadlines
}

/** Whether a deadline is in force. */
export const isTimed = (): boolean => current !== null

/** Runs a computation under the deadline in force, or under a new one where there is none. */
export const timed = <T>(compute: () => T): T => (current || !begin ? compute() : within(begin(), compute))

/**
 * A deadline that a busy machine does not shorten. It has passed when both `ms` milliseconds and `checks` calls are over, or
 * after `most` milliseconds in any case. `now` is the clock, in milliseconds.
 */
export function workDeadline(now: () => number, { ms, checks, most }: WorkLimit): Deadline {
  const begun = now()
  let count = 0
  return () => {
    const isWorked = ++count > checks
    const gone = now() - begun
    return gone > most || (isWorked && gone > ms)
  }
}

/** Bounds of a computation: milliseconds, calls of its deadline, and the upper bound in milliseconds. */
type WorkLimit = { readonly ms: number; readonly checks: number; readonly most: number }

let era = 0

/** Number of the current era. A timeout is remembered within its era only, because the machine may have been busy. */
export const timeoutEra = (): number => era

/** Begins a new era: computations that timed out are tried again on the next request. */
export const forgetTimeouts = (): void => void era++
