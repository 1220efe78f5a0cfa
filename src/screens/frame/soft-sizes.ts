import { useEffect, useMemo, useState } from 'react'
import type { Crispness } from '@/core/proof/crispness'
import { type SoftSize, softSizes } from '@/core/proof/soft-sizes'
import type { Rules } from '@/core/rules/rules'
import type { Icon, IconSet } from '@/core/set/set'
import { crispnessOf } from '@/workers/questions'

/** How many icons stand for the set: their edges lie as those of all others. */
const SAMPLE = 24

type Measured = {
  readonly icons: readonly Icon[]
  readonly rules: Rules
  readonly all: readonly (readonly Crispness[])[]
}

/** The delivered sizes at which most straight edges lie between pixels, found in a worker; none until it is known. */
export function useSoftSizes({ icons, rules }: IconSet): readonly SoftSize[] {
  const some = useMemo(() => {
    const every = Math.max(1, Math.floor(icons.length / SAMPLE))
    return icons.filter((_, i) => i % every === 0).slice(0, SAMPLE)
  }, [icons])
  const [measured, setMeasured] = useState<Measured | null>(null)
  useEffect(() => {
    const all: (readonly Crispness[])[] = []
    const giveUps = some.map((icon) =>
      crispnessOf(icon, rules, (one) => {
        all.push(one)
        if (all.length === some.length) setMeasured({ icons: some, rules, all })
      }),
    )
    return () => giveUps.forEach((giveUp) => giveUp())
  }, [some, rules])
  return useMemo(
    () => (measured?.icons === some && measured.rules === rules ? softSizes(measured.all, rules) : []),
    [measured, some, rules],
  )
}
