import type { CoordinateState } from '@/core/rules/fit/coordinate-state'
import { type EdgePin, withPin } from '@/core/rules/fit/pin'
import { type HeldTie, withTiePin } from '@/core/rules/fit/tie'
import type { SetEdit } from '@/core/set/edit'
import { pinsOf } from '@/core/set/set'
import { figure } from '@/ui/sum'
import { commit, show } from '../../session/session'
import type { Bench } from '../state/bench'

/** The words for what became of an edge. */
export const STATES: Readonly<Record<CoordinateState['state'], string>> = {
  pinned: 'pinned by hand',
  'let-go': 'released by hand',
  crisp: 'crisp',
  'gave-way': 'not crisp: another wish had priority',
  soft: 'soft',
}

/** What a tie is, in words. */
const TIE_WORDS: Readonly<Record<HeldTie['kind'], string>> = {
  'left-right': 'left and right mirror each other',
  'top-bottom': 'top and bottom mirror each other',
  end: 'end on a line',
  touch: 'touches',
  slant: 'slant',
  smooth: 'smooth join',
}

const TIE_STATES: Readonly<Record<HeldTie['state'], string>> = {
  pinned: 'kept by hand',
  'in-vain': 'kept by hand, but cannot be kept',
  'let-go': 'released by hand',
  holds: 'holds',
  missed: 'not kept',
}

/** A tie in words: “slant, not kept”. */
export const tieInWords = ({ kind, state }: HeldTie): string => `${TIE_WORDS[kind]}, ${TIE_STATES[state]}`

/** Next state of a tie at each press: a held one is released, a missed one is held, and so on around. */
const NEXT: Readonly<Record<HeldTie['state'], { readonly kept: boolean | null; readonly words: string }>> = {
  holds: { kept: false, words: 'release it' },
  'let-go': { kept: true, words: 'keep it' },
  missed: { kept: true, words: 'keep it' },
  pinned: { kept: null, words: 'let the fitting decide' },
  'in-vain': { kept: null, words: 'let the fitting decide' },
}

export const nextOfTie = ({ state }: HeldTie): string => NEXT[state].words

export function pressTie(bench: Bench, tie: HeldTie): void {
  const { here, master } = bench
  if (!here || !master) return
  const { kept, words } = NEXT[tie.state]
  const edit: SetEdit = { kind: 'pins', ...here, pins: withTiePin(pinsOf(master), tie, kept) }
  commit(
    bench.session,
    edit,
    `${words[0]!.toUpperCase()}${words.slice(1)}: ${TIE_WORDS[tie.kind]}, ${bench.base} master`,
  )
}

export const isByHand = ({ state }: CoordinateState | HeldTie): boolean =>
  state === 'pinned' || state === 'in-vain' || state === 'let-go'

/** Where something is held, in words: “x 3.5”. */
export const heldPlace = ({ axis, place }: CoordinateState): string => `${axis} ${figure(place)}`

function pinEdit(bench: Bench, { axis, at }: CoordinateState, pin: EdgePin | null): SetEdit | null {
  const { here, master, base, setRules } = bench
  if (!here || !master) return null
  return { kind: 'pins', ...here, pins: withPin(pinsOf(master), { axis, at }, pin, base / setRules.grid.size) }
}

/** Shows the open master with an edge at another place, all else solved for again; the place it is held at with null. */
export function showPinned(bench: Bench, held: CoordinateState, to: number | null): void {
  show(bench.session, to === null ? null : pinEdit(bench, held, { axis: held.axis, at: held.at, to }))
}

/** Pins an edge to a place on the open master. */
export function pinTo(bench: Bench, held: CoordinateState, to: number): void {
  const edit = pinEdit(bench, held, { axis: held.axis, at: held.at, to })
  if (edit) commit(bench.session, edit, `Pin ${heldPlace(held)} of the ${bench.base} master to ${figure(to)}`)
}

/** Lets an edge go, or fits it again where a hand decided on it. */
export function letGoOrFit(bench: Bench, held: CoordinateState): void {
  if (isByHand(held)) return fitAgain(bench, held)
  const edit = pinEdit(bench, held, { axis: held.axis, at: held.at, to: null })
  if (edit) commit(bench.session, edit, `Let ${heldPlace(held)} of the ${bench.base} master go`)
}

/** Leaves an edge to the fitting again. */
export function fitAgain(bench: Bench, held: CoordinateState): void {
  const edit = pinEdit(bench, held, null)
  if (edit && isByHand(held)) commit(bench.session, edit, `Fit ${heldPlace(held)} of the ${bench.base} master again`)
}

/** The nearest place at which an edge of a held coordinate is whole. */
export function wholePlace({ edges }: CoordinateState, place: number): number {
  const places = edges.map((edge) => Math.round(place + edge) - edge)
  return places.reduce((best, one) => (Math.abs(one - place) < Math.abs(best - place) - 1e-9 ? one : best))
}

/** The next place, up or down, at which an edge of a held coordinate is whole. */
export function nextPlace({ edges, place }: CoordinateState, way: number): number {
  const next = edges.map((edge) => {
    const at = place + edge
    return (way > 0 ? Math.floor(at + 1e-6) + 1 : Math.ceil(at - 1e-6) - 1) - edge
  })
  return way > 0 ? Math.min(...next) : Math.max(...next)
}
