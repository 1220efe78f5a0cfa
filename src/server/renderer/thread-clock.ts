import { ownThread, ownTime, timeOfThread } from './own-time'

/** Shared between a thread and its parent: the thread's system id, and its processor time in milliseconds when the task began. */
export type ThreadClock = Int32Array<SharedArrayBuffer>

/** Id of a thread on systems that do not tell it. */
const UNKNOWN = -1

export const newThreadClock = (): ThreadClock => new Int32Array(new SharedArrayBuffer(8))

/** Called in the thread when its task begins. */
export function noteBeginning(clock: ThreadClock): void {
  Atomics.store(clock, 1, ownTime() ?? 0)
  Atomics.store(clock, 0, ownThread() ?? UNKNOWN)
}

/** Interval between two looks at a thread's processor time, in milliseconds. */
const LOOK = 200

/** A task that uses no processor time for so long, in milliseconds, is stuck. */
const IDLE = 300_000

/**
 * Calls `end` when a task has used `limit` milliseconds of its thread's processor time (of the clock on systems without
 * `/proc`). Time in which the task waits does not count. Returns a function that stops watching.
 */
export function watchThread(clock: ThreadClock, limit: number, end: () => void): () => void {
  let computed = 0,
    advanced = performance.now()
  const timer = setInterval(
    () => {
      const thread = Atomics.load(clock, 0),
        now = performance.now()
      const time = thread > 0 ? timeOfThread(thread) : null
      const own = time === null ? (thread === 0 ? 0 : now - advanced) : time - Atomics.load(clock, 1)
      if (time !== null && own > computed) {
        computed = own
        advanced = now
      }
      if (own >= limit || now - advanced > IDLE) end()
    },
    Math.min(LOOK, limit),
  )
  return () => clearInterval(timer)
}
