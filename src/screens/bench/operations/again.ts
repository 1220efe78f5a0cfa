import { compose, type Transform } from '@/core/geometry/transform'
import type { Bench } from '../state/bench'
import { slice } from '../state/slice'

/**
 * The last action: `trail` is the map of a copy that was moved or turned, for the next duplicate; `last` can be
 * repeated on any selection.
 */
export const AGAIN = slice('again', {
  trail: null as { readonly ids: string; readonly map: Transform } | null,
  last: null as { readonly map: Transform; readonly words: string; readonly scale: number } | null,
})

/** Ids in one word, whatever their order. */
const joined = (ids: Iterable<string>): string => [...ids].sort().join()

/** Follows copies, which came out of their originals by a map. */
export function followCopies(bench: Bench, copies: readonly { readonly id: string }[], map: Transform): void {
  bench.put(AGAIN, { trail: { ids: joined(copies.map(({ id }) => id)), map } })
}

/** The map from the originals to the selected copies, with later changes; null if they are no copies. */
export function trailOf(bench: Bench, selected: readonly { readonly id: string }[]): Transform | null {
  const { trail } = bench.read(AGAIN)
  return trail?.ids === joined(selected.map(({ id }) => id)) ? trail.map : null
}

/** Notes that the selection was transformed. */
export function noteTransform(bench: Bench, map: Transform, words: string, scale = 1): void {
  const { trail } = bench.read(AGAIN),
    isTrail = trail?.ids === joined(bench.store.getState().selection)
  bench.put(AGAIN, {
    last: { map, words, scale },
    ...(isTrail && { trail: { ids: trail.ids, map: compose(map, trail.map) } }),
  })
}
