/** Says whether the time for a computation is over. The core has no clock: who asks for something brings one. */
type Deadline = () => boolean

/** A computation that was given up because its time was over. */
export class OutOfTime extends Error {
  constructor() {
    super('This takes too long: the drawing has too many segments that meet.')
  }
}

/** The deadline of the computation under way, that of whatever it is part of included. */
let current: Deadline | null = null

/**
 * Computes something within a time. Everything it calls looks at the deadline by `keepTime`; a deadline around this one
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
 * Throws `OutOfTime` when the time of the computation under way is over. For every loop whose length its input decides.
 */
export function keepTime(): void {
  if (current?.()) throw new OutOfTime()
}

/** Begins the deadline of a computation that nobody gave one; null while no clock was brought. */
let begin: (() => Deadline) | null = null

/**
 * Brings a clock: from now on everything `timed` begins a deadline of its own. A page, a worker and a server each bring
 * theirs, once.
 */
export function bringClock(deadlines: (() => Deadline) | null): void {
  begin = deadlines
}

/** True within a computation that has a deadline. */
export const isTimed = (): boolean => current !== null

/** Computes something under the deadline that is in force, or one that begins now. */
export const timed = <T>(compute: () => T): T => (current || !begin ? compute() : within(begin(), compute))
