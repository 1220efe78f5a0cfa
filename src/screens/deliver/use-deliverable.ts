import { useEffect, useState } from 'react'
import { type Deliverable, deliverableIn } from '@/core/targets/deliverable'
import type { Icon, IconSet } from '@/core/set/set'

/** How long the page may be kept from answering, in milliseconds. */
const SLICE = 10

type Found = Omit<Deliverable<Icon>, 'family'>

const NOTHING: Found = { targets: [], files: [], problems: [] }

/** The deliverable files of some targets; empty until first counted, then the last count. */
export function useDeliverable(set: IconSet, targets: readonly string[]): Found & { isCounted: boolean } {
  const [answer, setAnswer] = useState<{ set: IconSet; targets: readonly string[]; found: Found } | null>(null)
  useEffect(() => {
    const steps = deliverableIn(set, targets)
    let timer: ReturnType<typeof setTimeout> | undefined
    const go = () => {
      const end = performance.now() + SLICE
      while (performance.now() < end) {
        const { done, value } = steps.next()
        if (done) return setAnswer({ set, targets, found: value })
      }
      timer = setTimeout(go)
    }
    // Small sets are counted at once.
    go()
    return () => clearTimeout(timer)
  }, [set, targets])
  return { ...(answer?.found ?? NOTHING), isCounted: answer?.set === set && answer.targets === targets }
}
