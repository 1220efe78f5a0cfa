import { useEffect, useState } from 'react'

/**
 * How many of a screen's parts are there: they come one after the other, each after the last was painted, so that no
 * task builds them all.
 */
export function useParts(count: number): number {
  const [there, setThere] = useState(0)
  useEffect(() => {
    if (there === count) return
    let later: ReturnType<typeof setTimeout>
    const frame = requestAnimationFrame(() => (later = setTimeout(() => setThere(there + 1))))
    return () => {
      cancelAnimationFrame(frame)
      clearTimeout(later)
    }
  }, [there, count])
  return there
}
