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
 * A deadline by a clock that also counts: what else the machine does is not held against a computation. It has passed after
 * `ms` milliseconds and so many checks, whichever comes later, or at the latest after `most` milliseconds. `now` is the clock.
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

/** How much time and how many checks of the deadline a computation has, and the most time in any case. */
export type WorkLimit = { readonly ms: number; readonly checks: number; readonly most: number }

let era = 0

/** Since when timeouts are remembered: one of an earlier era is not, since it may have been the machine. */
export const timeoutEra = (): number => era

/** Forgets all timeouts that are remembered, so that what took too long is tried again when it is asked for. */
export const forgetTimeouts = (): void => void era++
