import { timed } from '@/core/geometry/deadline'

/** What a list computes to in time; nothing where it cannot be computed, which the object says of itself. */
export function orNone<T>(compute: () => readonly T[]): readonly T[] {
  try {
    return timed(compute)
  } catch (error) {
    if (error instanceof Error) return []
    throw error
  }
}
