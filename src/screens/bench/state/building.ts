import type { Stepping } from '../../session/session'

/** A construction in several steps: undo and redo, if possible, and a function that keeps its finished part. */
export type Building = Stepping & { readonly keep: () => void }

/** What a tool may have in hand. */
export type Holding = {
  /** The construction; null before it begins. */
  building?(): Building | null
  /** Removes or resets the thing in hand; null if there is none, and Delete applies to the selection. */
  removal?(): (() => void) | null
}
