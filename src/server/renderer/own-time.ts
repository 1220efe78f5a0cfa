import { readFileSync, readlinkSync } from 'node:fs'

/** The kernel counts a thread's time in ticks of so many milliseconds (`USER_HZ` is 100 everywhere on Linux, proc(5)). */
const TICK = 10

/** How long this thread itself has computed, in milliseconds; null where the system does not say. */
export const ownTime = (): number | null => computed('/proc/thread-self/stat')

/** How long a thread of this process has computed, in milliseconds, by its number; null where the system does not say. */
export const timeOfThread = (thread: number): number | null => computed(`/proc/self/task/${thread}/stat`)

/** The number that the system gives this thread; null where it does not say (proc(5), /proc/thread-self). */
export function ownThread(): number | null {
  try {
    return Number(readlinkSync('/proc/thread-self').split('/').at(-1)) || null
  } catch {
    return null
  }
}

function computed(path: string): number | null {
  try {
    const stat = readFileSync(path, 'latin1')
    // The name before the last bracket may hold anything; user and system time are the 14th and 15th field.
    const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ')
    return (Number(fields[11]) + Number(fields[12])) * TICK
  } catch {
    return null
  }
}

/** A deadline in milliseconds of this thread's processor time; of the clock on systems without `/proc`. */
export function ownDeadline(ms: number): () => boolean {
  const own = ownTime()
  let next = performance.now() + ms
  return () => {
    const now = performance.now()
    if (now < next) return false
    const spent = own === null ? ms : (ownTime() ?? own + ms) - own
    if (spent >= ms) return true
    next = now + (ms - spent)
    return false
  }
}
