import type { Problem } from '@/core/findings/problem'
import { useEffect, useState } from 'react'
import type { SoftSize } from '@/core/proof/soft-sizes'
import type { LeftOut, Progress } from '@/core/targets/run'

/** The server's plan: each file's size in bytes, omitted icons, problems, and soft pictures. */
export type Plan = {
  readonly sizes: ReadonlyMap<string, number> | null
  readonly leftOut: readonly LeftOut[]
  readonly problems: readonly Problem[]
  readonly soft: readonly SoftSize[]
  /** Why nothing could be made. */
  readonly failure?: string
}

/** A request for a plan: the set, its revision, and the targets; `again` counts retries. */
export type Wish = {
  readonly setId: string
  readonly revision: number
  readonly targets: readonly string[]
  readonly again: number
}

type Answer = {
  readonly key: string
  readonly url: string | null
  readonly plan: Plan | null
  readonly progress: Progress | null
}

const RETRY = 1000

/** What the server makes of a set, how far it is until that is known, and the address of it. */
export function usePlan(wish: Wish | null): Omit<Answer, 'key'> {
  const [answer, setAnswer] = useState<Answer | null>(null)
  const key = wish && JSON.stringify(wish)
  useEffect(() => {
    if (key === null) return
    const { setId, targets } = JSON.parse(key) as Wish
    const deliveries = `/api/sets/${setId}/delivery`
    const abort = new AbortController()
    let url: string | null = null
    let events: EventSource | null = null
    const tell = (plan: Plan | null, progress: Progress | null) => setAnswer({ key, url, plan, progress })
    const later = () => {
      events?.close()
      if (!abort.signal.aborted) setTimeout(() => void follow().catch(later), RETRY)
    }
    const begin = async (): Promise<void> => {
      const response = await fetch(deliveries, { method: 'POST', body: JSON.stringify({ targets }) })
      const body = (await response.json()) as { run?: string; message?: string }
      if (!response.ok || body.run === undefined) return tell(planOf(false, body), null)
      url = `${deliveries}/${body.run}`
      if (abort.signal.aborted) giveUp()
      else await follow()
    }
    const follow = async (): Promise<void> => {
      if (!url) return begin()
      const response = await fetch(url, { signal: abort.signal })
      const body = await response.json()
      if (abort.signal.aborted) return
      // A server that was started anew knows nothing of it.
      if (response.status === 404) {
        url = null
        return begin()
      }
      if (response.status !== 202) return tell(planOf(response.ok, body), null)
      tell(null, body.progress ?? null)
      events?.close()
      events = new EventSource(`${url}/progress`)
      events.onmessage = ({ data }) => {
        const progress = JSON.parse(data) as Progress
        if (progress.state === 'running') return tell(null, progress)
        events?.close()
        if (progress.state === 'cancelled') return tell(null, progress)
        void follow().catch(later)
      }
      events.onerror = later
    }
    const giveUp = () => {
      if (url) void fetch(url, { method: 'DELETE', keepalive: true }).catch(() => undefined)
    }
    follow().catch(later)
    return () => {
      abort.abort()
      events?.close()
      giveUp()
    }
  }, [key])
  return answer && answer.key === key ? answer : { url: null, plan: null, progress: null }
}

function planOf(
  ok: boolean,
  body: {
    files?: { path: string; bytes: number }[]
    leftOut?: LeftOut[]
    problems?: Problem[]
    soft?: SoftSize[]
    message?: string
  },
): Plan {
  if (!ok || !body.files)
    return {
      sizes: null,
      leftOut: [],
      problems: [],
      soft: [],
      failure: body.message ?? 'The server could not make the files.',
    }
  return {
    sizes: new Map(body.files.map(({ path, bytes }) => [path, bytes])),
    leftOut: body.leftOut ?? [],
    problems: body.problems ?? [],
    soft: body.soft ?? [],
  }
}
