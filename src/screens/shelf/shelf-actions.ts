'use client'

import { createContext, useContext } from 'react'

/** What the server answers: a value, or why there is none. */
export type Answer<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly failure: { readonly message: string } }

/** Waits for an answer; a server that cannot be reached is one too. */
export const reached = <T>(doing: Promise<Answer<T>>): Promise<Answer<T>> =>
  doing.catch(() => ({ ok: false, failure: { message: 'The server cannot be reached.' } }))

/** What the shelf can have the server do; each answers with a sentence where it cannot. */
export type ShelfActions = {
  /** Makes a set from a rule book and answers its id. */
  readonly create: (starter: string, name: string) => Promise<Answer<string>>
  readonly rename: (id: string, name: string) => Promise<Answer<string>>
  readonly duplicate: (id: string) => Promise<Answer<string>>
  readonly remove: (id: string) => Promise<Answer<null>>
  readonly restore: (id: string) => Promise<Answer<null>>
  readonly openDemo: () => Promise<Answer<null>>
}

export const ShelfActionsContext = createContext<ShelfActions | null>(null)

export function useShelfActions(): ShelfActions {
  const actions = useContext(ShelfActionsContext)
  if (!actions) throw new Error('There is no shelf here.')
  return actions
}
