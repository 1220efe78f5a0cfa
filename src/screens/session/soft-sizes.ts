import { useEffect, useMemo, useState } from 'react'
import type { Crispness } from '@/core/geometry/crispness'
import { sampleOf, type SoftSize, softSizes } from '@/core/proof/soft-sizes'
import type { Rules } from '@/core/rules/rules'
import type { Icon, IconSet } from '@/core/set/set'
import { crispnessOf } from '@/workers/questions'

type Measured = {
  readonly icons: readonly Icon[]
  readonly rules: Rules
  readonly all: readonly (readonly Crispness[])[]
}

/** The delivered sizes at which most straight edges lie between pixels, found in a worker once they are wanted; none until it is known. */
export function useSoftSizes({ icons, rules }: IconSet, wanted: boolean): readonly SoftSize[] {
  const some = useMemo(() => (wanted ? sampleOf(icons) : []), [icons, wanted])
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
