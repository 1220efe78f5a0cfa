import { withNewIds } from '@/core/drawing/objects/tree'
import { newId } from '@/ui/new-id'
import type { Bench } from '../state/bench'
import { membersOf } from '@/core/drawing/edit/edit'
import { gather } from './gather'
import { parentOf } from './objects'
import { slice } from '../state/slice'

/** What a press on the square does: keeps patches, drops them, or cuts a stretch of line. */
export type Way = 'keep' | 'drop' | 'cut'

/** What becomes of the objects whose lines make the patches: they are in the patchwork, and beside it hidden, or seen. */
export type Originals = 'inside' | 'aside' | 'stay'

export const PATCHWORK = slice('patchwork', {
  way: 'keep' as Way,
  originals: 'inside' as Originals,
  /** The shape whose finish is chosen. */
  shape: null as string | null,
})

/** Opens the selected patchwork, or makes one of the selection. */
export function beginPatchwork(bench: Bench): void {
  bench.put(PATCHWORK, { way: 'keep', shape: null })
  if (!bench.one('patchwork')) gather(bench, bench.free, 'Patchwork', { kind: 'patchwork', swept: [] })
}

export const patchworkNeeds = (bench: Bench): string | null =>
  bench.free.length > 0 ? null : 'Select the objects whose lines are to make patches first.'

/** Leaves the patchwork: its sources go where they were chosen to go. One without a shape is taken apart again. */
export function acceptPatchwork(bench: Bench): void {
  const object = bench.one('patchwork')
  const { originals } = bench.read(PATCHWORK)
  if (object && object.swept.length === 0) {
    bench.edit({ kind: 'loosen', id: object.id }, `Take ${object.name} apart`)
    bench.select(object.members.map(({ id }) => id))
  } else if (object && originals !== 'inside') {
    const copies = object.members.map((member) => ({
      ...withNewIds(member, newId),
      ...(originals === 'aside' && { hidden: true as const, locked: true as const }),
    }))
    const into = parentOf(bench, object.id)
    const at = membersOf(bench.objects, into).findIndex(({ id }) => id === object.id)
    bench.edit({ kind: 'add', objects: copies, into, at: Math.max(0, at) }, `Leave the originals of ${object.name}`)
  }
  bench.put(PATCHWORK, { originals: 'inside' })
  bench.take('select')
}
