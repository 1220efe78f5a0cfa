/** Why a request cannot be met: a code for programs and a sentence for a person. */
export type RequestRefusal = {
  readonly code: 'invalid' | 'not-found' | 'conflict' | 'too-large' | 'forbidden' | 'unavailable'
  readonly message: string
  /** The parts of a set that are to blame, where that is known. */
  readonly parts?: readonly string[]
}

export type Result<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly failure: RequestRefusal }

export const done = <T>(value: T): Result<T> => ({ ok: true, value })

export const failed = (code: RequestRefusal['code'], message: string): Result<never> => ({
  ok: false,
  failure: { code, message },
})
