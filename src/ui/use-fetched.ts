import { useEffect, useEffectEvent, useState } from 'react'

/** The last fetched value, and the sentence of the last failure; null before. */
type Fetched<T> = { readonly value: T | null; readonly problem: string | null }

/**
 * Loads a value each time its key changes; nothing is loaded while the key is null. The last value stays until the next
 * one is there, and an answer that comes after the key has changed again is dropped. `load` gets a signal that is
 * aborted then; it throws a sentence for the user.
 */
export function useFetched<T>(key: string | null, load: (signal: AbortSignal) => Promise<T>): Fetched<T> {
  const [fetched, setFetched] = useState<Fetched<T>>({ value: null, problem: null })
  const begin = useEffectEvent((signal: AbortSignal) => load(signal))
  useEffect(() => {
    if (key === null) return
    const abort = new AbortController()
    const { signal } = abort
    begin(signal).then(
      (value) => {
        if (!signal.aborted) setFetched({ value, problem: null })
      },
      (error: unknown) => {
        const problem = error instanceof Error ? error.message : 'The server cannot be reached.'
        if (!signal.aborted) setFetched((last) => ({ value: last.value, problem }))
      },
    )
    return () => abort.abort()
  }, [key])
  return fetched
}
