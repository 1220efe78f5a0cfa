import { useEffect, useState } from 'react'
import type { Fault } from '@/core/targets/target'
import type { LeftOut, Progress } from '@/core/targets/run'

/** What the server has made: the size of every file in bytes, what it leaves out, and what speaks against the rest. */
export type Plan = {
  readonly sizes: ReadonlyMap<string, number> | null
  readonly problems: readonly LeftOut[]
  readonly faults: readonly Fault[]
  /** Why nothing could be made. */
  readonly fault?: string
}

type Answer = { readonly url: string; readonly plan: Plan | null; readonly progress: Progress | null }

/** What the server makes of a set, and how far it is until that is known. */
export function usePlan(url: string | null, setId: string): { plan: Plan | null; progress: Progress | null } {
  const [answer, setAnswer] = useState<Answer | null>(null)
  useEffect(() => {
    if (!url) return
    const abort = new AbortController()
    let events: EventSource | null = null
    const ask = async (): Promise<void> => {
      const response = await fetch(url, { signal: abort.signal })
      const body = await response.json()
      if (abort.signal.aborted) return
      if (response.status !== 202) return setAnswer({ url, plan: planOf(response.ok, body), progress: null })
      setAnswer({ url, plan: null, progress: body.progress ?? null })
      events?.close()
      events = new EventSource(`/api/sets/${setId}/delivery/progress`)
      events.onmessage = ({ data }) => {
        const progress = JSON.parse(data) as Progress
        if (progress.state === 'running') return setAnswer({ url, plan: null, progress })
        events?.close()
        if (progress.state === 'cancelled') return setAnswer({ url, plan: null, progress })
        void ask().catch(() => undefined)
      }
      events.onerror = () => {
        events?.close()
        if (!abort.signal.aborted) setTimeout(() => void ask().catch(() => undefined), 1000)
      }
    }
    ask().catch(() => undefined)
    return () => {
      abort.abort()
      events?.close()
    }
  }, [url, setId])
  return answer?.url === url ? answer : { plan: null, progress: null }
}

function planOf(
  ok: boolean,
  body: { files?: { path: string; bytes: number }[]; problems?: LeftOut[]; faults?: Fault[]; message?: string },
): Plan {
  if (!ok || !body.files)
    return { sizes: null, problems: [], faults: [], fault: body.message ?? 'The server could not make the files.' }
  return {
    sizes: new Map(body.files.map(({ path, bytes }) => [path, bytes])),
    problems: body.problems ?? [],
    faults: body.faults ?? [],
  }
}
