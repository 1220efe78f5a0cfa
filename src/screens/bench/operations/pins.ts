import type { Held } from '@/core/rules/fit/held'
import { type Pin, withPin } from '@/core/rules/fit/pin'
import type { SetEdit } from '@/core/set/edit'
import { pinsOf } from '@/core/set/set'
import { figure } from '@/ui/sum'
import { commit, show } from '../../frame/session'
import type { Bench } from '../state/bench'

/** The words for what became of an edge. */
export const STATES: Readonly<Record<Held['state'], string>> = {
  pinned: 'pinned by hand',
  'let-go': 'let go by hand',
  crisp: 'crisp',
  'gave-way': 'gave way, so that the picture holds',
  soft: 'soft',
}

export const isByHand = ({ state }: Held): boolean => state === 'pinned' || state === 'let-go'

/** Where something is held, in words: “x 3.5”. */
export const heldPlace = ({ axis, place }: Held): string => `${axis} ${figure(place)}`

function pinEdit(bench: Bench, { axis, at }: Held, pin: Pin | null): SetEdit | null {
  const { here, master, base, setRules } = bench
  if (!here || !master) return null
  return { kind: 'pins', ...here, pins: withPin(pinsOf(master), { axis, at }, pin, base / setRules.grid.size) }
}

/** Shows the open master with an edge at another place, all else solved for again; the place it is held at with null. */
export function showPinned(bench: Bench, held: Held, to: number | null): void {
  show(bench.session, to === null ? null : pinEdit(bench, held, { axis: held.axis, at: held.at, to }))
}

/** Pins an edge to a place on the open master. */
export function pinTo(bench: Bench, held: Held, to: number): void {
  const edit = pinEdit(bench, held, { axis: held.axis, at: held.at, to })
  if (edit) commit(bench.session, edit, `Pin ${heldPlace(held)} of the ${bench.base} master to ${figure(to)}`)
}

/** Lets an edge go, or fits it again where a hand decided on it. */
export function letGoOrFit(bench: Bench, held: Held): void {
  if (isByHand(held)) return fitAgain(bench, held)
  const edit = pinEdit(bench, held, { axis: held.axis, at: held.at, to: null })
  if (edit) commit(bench.session, edit, `Let ${heldPlace(held)} of the ${bench.base} master go`)
}

/** Leaves an edge to the fitting again. */
export function fitAgain(bench: Bench, held: Held): void {
  const edit = pinEdit(bench, held, null)
  if (edit && isByHand(held)) commit(bench.session, edit, `Fit ${heldPlace(held)} of the ${bench.base} master again`)
}

/** The place nearest to one at which an edge of what is held is whole. */
export function wholePlace({ edges }: Held, place: number): number {
  const places = edges.map((edge) => Math.round(place + edge) - edge)
  return places.reduce((best, one) => (Math.abs(one - place) < Math.abs(best - place) - 1e-9 ? one : best))
}

/** The next place, one way or the other, at which an edge of what is held is whole. */
export function nextPlace({ edges, place }: Held, way: number): number {
  const next = edges.map((edge) => {
    const at = place + edge
    return (way > 0 ? Math.floor(at + 1e-6) + 1 : Math.ceil(at - 1e-6) - 1) - edge
  })
  return way > 0 ? Math.min(...next) : Math.max(...next)
}
