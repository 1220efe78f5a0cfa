import { ownThread, ownTime, timeOfThread } from './own-time'

/** Where a thread notes who it is: its number with the system, and the milliseconds that it had computed when its task began. */
export type ThreadClock = Int32Array<SharedArrayBuffer>

/** What a thread notes where the system gives it no number. */
const UNKNOWN = -1

export const newThreadClock = (): ThreadClock => new Int32Array(new SharedArrayBuffer(8))

/** Notes, in the thread itself, that a task begins. */
export function noteBeginning(clock: ThreadClock): void {
  Atomics.store(clock, 1, ownTime() ?? 0)
  Atomics.store(clock, 0, ownThread() ?? UNKNOWN)
}

/** How often it is looked how much a thread has computed, in milliseconds. */
const LOOK = 200

/** How long a task may wait to be begun, or compute nothing at all, in milliseconds: then it waits for nothing. */
const IDLE = 300_000

/**
 * Watches a task in a thread and calls `end` once it has computed for `limit` milliseconds of the thread's own time: what
 * else the machine does, and waiting for a thread, is not held against it. By the clock where the system does not say.
 * Returns the way to stop.
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
