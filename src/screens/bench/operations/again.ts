import { compose, type Transform } from '@/core/geometry/transform'
import type { Bench } from '../state/bench'
import { slice } from '../state/slice'

/**
 * What was done last: `trail` follows a copy that is moved or turned, so that the next duplicate does likewise; `last`
 * can be done again to whatever is selected.
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

/** The map by which the selection came out of its originals, with what was done to it since; null when it did not. */
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
