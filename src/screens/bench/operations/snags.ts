import type { Snag } from '@/core/checks/snag'
import { acceptedAs } from '@/core/checks/accepting'
import { fittedToPixels } from '@/core/rules/fit/fit-to-pixels'
import { acceptedIn } from '@/core/set/set'
import type { Command } from '@/ui/commands'
import { say } from '@/ui/notice'
import type { DrawingEdit } from '@/core/drawing/edit/edit'
import { commit } from '../../session/session'
import type { Bench } from '../state/bench'
import { slice } from '../state/slice'

/** The snag and the mend under the pointer in the list, and the snag that is being accepted. */
export const SNAGS = slice('snags', {
  pointed: null as Snag | null,
  mending: null as DrawingEdit | null,
  leaving: null as Snag | null,
})

/** Does the repair of a snag. */
export const mend = (bench: Bench, snag: Snag): void => {
  if (snag.mend) bench.edit(snag.mend, `Mend: ${snag.sentence}`.slice(0, 120))
}

/** Makes the edit that a snag offers: it leaves the grid, so that no mend makes it by itself. */
export const takeOffer = (bench: Bench, { offer, sentence }: Snag): void => {
  if (offer) bench.edit(offer.edit, `Scale: ${sentence}`.slice(0, 120))
}

/** Does every repair that is known for the open icon, as one step. What looks for them is loaded when it is wanted. */
export async function mendAll(bench: Bench): Promise<void> {
  const [{ mendsOf }, { checkedOn }] = await Promise.all([
    import('@/core/checks/mended'),
    import('@/core/checks/snags'),
  ])
  const { icon, master, objects } = bench
  if (!icon || !master) return
  const { checked, accepted } = checkedOn(icon, bench.setRules, master.base)
  const edits = mendsOf({ ...checked, objects }, accepted)
  if (edits.length === 0) return say({ text: 'Nothing in this icon can be repaired automatically.' })
  bench.edit({ kind: 'all', edits }, `Mend ${edits.length === 1 ? 'a snag' : `${edits.length} snags`}`)
}

/** Brings the edges of the open drawing to whole pixels of its grid, without tearing or closing anything. */
function fitToPixels(bench: Bench): void {
  const { objects, rules } = bench
  if (objects.some(({ locked }) => locked)) return say({ text: 'Something in the drawing is locked: unlock it first.' })
  const next = fittedToPixels(objects, rules)
  if (next === objects) return say({ text: 'No edge can be brought nearer to the pixels without leaving the grid.' })
  bench.edit({ kind: 'replace', objects: next }, 'Fit the drawing to pixels')
}

/** Accepts a snag, with a reason. */
export function accept(bench: Bench, snag: Snag, reason: string): string | null {
  const { here, master } = bench
  if (!here || !master) return null
  if (reason === '') return 'Give a reason for leaving it.'
  const accepted = [...acceptedIn(master), acceptedAs(snag, reason.slice(0, 200))]
  commit(bench.session, { kind: 'accept', ...here, accepted }, `Leave as it is: ${snag.sentence}`.slice(0, 120))
  return null
}

/** Revokes all accepted snags. */
function acceptNothing(bench: Bench): void {
  const { here } = bench
  if (here) commit(bench.session, { kind: 'accept', ...here, accepted: [] }, 'Look again at what was left')
}

export function snagCommands(bench: Bench): Command[] {
  return [
    {
      id: 'mend-all',
      name: 'Mend all snags of this icon',
      needs: () => (bench.icon ? null : 'Add an icon first: + icon, on the left.'),
      run: () => void mendAll(bench),
    },
    {
      id: 'fit-to-pixels',
      name: 'Fit the drawing to pixels',
      needs: () => (bench.objects.length > 0 ? null : 'Draw something first.'),
      run: () => fitToPixels(bench),
    },
    {
      id: 'accept-nothing',
      name: 'Show the snags that were left as they are again',
      needs: () =>
        bench.master && acceptedIn(bench.master).length > 0 ? null : 'No snag of this icon was left as it is.',
      run: () => acceptNothing(bench),
    },
  ]
}
