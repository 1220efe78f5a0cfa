import { stopsOf } from '@/core/drawing/model/values'
import { say } from '@/ui/notice'
import type { Bench } from '../state/bench'
import { gradientInHand, setStops } from './paints'
import { benchGuides, GUIDE, setGuides } from './guides'
import { PAINT } from '../state/paint-in-hand'

/** Candidates for Delete before the selection: each returns its removal, null if nothing of its kind is in hand. */
const REMOVALS: readonly ((bench: Bench) => (() => void) | null)[] = [
  (bench) => bench.holding.removal?.() ?? null,
  removalOfStop,
  removalOfGuide,
]

/** Removes the thing in hand; null if there is none, and Delete applies to the selection. */
export function removalOf(bench: Bench): (() => void) | null {
  for (const removal of REMOVALS) {
    const remove = removal(bench)
    if (remove) return remove
  }
  return null
}

function removalOfStop(bench: Bench): (() => void) | null {
  const found = gradientInHand(bench),
    { stop } = bench.read(PAINT)
  if (!found || stop === null) return null
  const stops = stopsOf(found.gradient, bench.rules)
  if (stops.length <= 2)
    return () => say({ text: 'A gradient needs at least two stops. Click beside it to deselect the stop.' })
  return () => {
    setStops(bench, found.place, (all) => all.filter((_, i) => i !== stop), 'the stops')
    bench.put(PAINT, { stop: null })
  }
}

function removalOfGuide(bench: Bench): (() => void) | null {
  const { id } = bench.read(GUIDE),
    guides = benchGuides(bench)
  if (!guides.some((guide) => guide.id === id)) return null
  return () => {
    bench.letGo()
    setGuides(
      bench,
      guides.filter((guide) => guide.id !== id),
      'Remove a guide',
    )
  }
}
