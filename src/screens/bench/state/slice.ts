/**
 * What one tool, panel or command keeps on the bench: under which name, and what it is at first. A slice is made where it
 * is used; the store knows none of them. What is `inHand` goes when the hand lets go.
 */
export type Slice<S extends object> = { readonly id: string; readonly start: S; readonly inHand: boolean }

export const slice = <S extends object>(id: string, start: S): Slice<S> => ({ id, start, inHand: false })
export const sliceInHand = <S extends object>(id: string, start: S): Slice<S> => ({ id, start, inHand: true })

/** Where slices are kept: for good, and as long as something is in hand. */
type Kept = {
  readonly slices: Readonly<Record<string, object>>
  readonly inHand: { readonly kept: Readonly<Record<string, object>> }
}

export function readSlice<S extends object>({ id, start, inHand }: Slice<S>, state: Kept): S {
  return ((inHand ? state.inHand.kept : state.slices)[id] as S | undefined) ?? start
}
