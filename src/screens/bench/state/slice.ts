/**
 * A named part of the bench's state that one tool, panel or command owns, with its initial value. The store knows no
 * slice by name. The `inHand` part is cleared when the tool is put down.
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
