import { OutOfTime } from '../../geometry/deadline'

/**
 * What a way to understand a drawing gives, or `otherwise` where the way breaks: one strange drawing never keeps the rest of
 * a folder from being read.
 */
export function unbroken<T>(way: () => T, otherwise: T): T {
  try {
    return way()
  } catch (error) {
    if (error instanceof OutOfTime) throw error
    return otherwise
  }
}
