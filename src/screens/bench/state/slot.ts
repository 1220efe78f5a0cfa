/**
 * What one tool, panel or command keeps on the bench: under which name, and what it is at first. A slot is made where it
 * is used; the store knows none of them. What is `inHand` goes when the hand lets go.
 */
export type Slot<S extends object> = { readonly id: string; readonly start: S; readonly inHand: boolean }

export const slot = <S extends object>(id: string, start: S): Slot<S> => ({ id, start, inHand: false })
export const slotInHand = <S extends object>(id: string, start: S): Slot<S> => ({ id, start, inHand: true })

/** Where slots are kept: for good, and as long as something is in hand. */
type Kept = {
  readonly slots: Readonly<Record<string, object>>
  readonly inHand: { readonly kept: Readonly<Record<string, object>> }
}

export function readSlot<S extends object>({ id, start, inHand }: Slot<S>, state: Kept): S {
  return ((inHand ? state.inHand.kept : state.slots)[id] as S | undefined) ?? start
}
